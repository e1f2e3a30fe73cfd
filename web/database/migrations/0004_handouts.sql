-- What a teacher hands out: a page that opens by its link alone, and what is asked from it.

create table handouts (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint handouts_teacher references teachers on delete cascade,
  fingering_id uuid not null,
  student_id uuid,
  -- SHA-256 of the token in the link: who reads the table cannot open the page.
  token_hash bytea not null,
  -- For whom, as it stands on the page.
  recipient text not null default '' constraint handouts_recipient_length check (length(recipient) <= 100),
  remarks text not null default '' constraint handouts_remarks_length check (length(remarks) <= 2000),
  -- Revision of the fingering that was given, and what the page shows: it does not change when the teacher goes on working.
  revision integer not null,
  lesson jsonb not null,
  content jsonb not null,
  created_at timestamptz not null default now(),
  ends_at timestamptz not null,
  revoked_at timestamptz,
  seen_at timestamptz,
  constraint handouts_pkey primary key (id),
  constraint handouts_token unique (token_hash),
  constraint handouts_of_teacher unique (teacher_id, id),
  constraint handouts_fingering foreign key (teacher_id, fingering_id) references fingerings (teacher_id, id)
    on delete cascade,
  constraint handouts_student foreign key (teacher_id, student_id) references students (teacher_id, id)
    on delete set null (student_id)
);
create index handouts_of_fingering on handouts (teacher_id, fingering_id, created_at desc);
create index handouts_of_student on handouts (teacher_id, student_id) where student_id is not null;

create table questions (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  handout_id uuid not null,
  -- Counted from 0.
  bar integer not null constraint questions_bar check (bar >= 0),
  body text not null constraint questions_body_length check (length(body) between 1 and 500),
  asked_at timestamptz not null default now(),
  read_at timestamptz,
  constraint questions_pkey primary key (id),
  constraint questions_of_handout foreign key (teacher_id, handout_id) references handouts (teacher_id, id)
    on delete cascade
);
create index questions_of_handout_by_time on questions (teacher_id, handout_id, asked_at desc);

do $$
declare
  name text;
begin
  foreach name in array array['handouts', 'questions'] loop
    execute format('alter table %I enable row level security', name);
    execute format(
      'create policy own_rows on %I to oculon_teacher using (teacher_id = current_teacher()) with check (teacher_id = current_teacher())',
      name);
  end loop;
end
$$;
