-- What a student practises between lessons, what they log of it, and what is noted at a lesson.

create table courses (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  student_id uuid not null,
  -- SHA-256 of the token in the link by which the student practises and logs; none before a link was given.
  token_hash bytea,
  link_given_at timestamptz,
  seen_at timestamptz,
  created_at timestamptz not null default now(),
  constraint courses_pkey primary key (id),
  constraint courses_of_teacher unique (teacher_id, id),
  constraint courses_one_a_student unique (teacher_id, student_id),
  constraint courses_token unique (token_hash),
  constraint courses_student foreign key (teacher_id, student_id) references students (teacher_id, id) on delete cascade
);

create table course_goals (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  course_id uuid not null,
  -- The version that is practised; what was cut from it stays when it goes.
  fingering_id uuid,
  state text not null default 'learning'
    constraint course_goals_state check (state in ('learning', 'polished', 'warm-up', 'resting')),
  until date not null,
  -- The tempo to be reached, in quarters a minute, where it is not that of the version.
  tempo numeric(5, 1) constraint course_goals_tempo check (tempo between 5 and 500),
  -- Revision of the version from which spots and sheets were cut.
  revision integer not null,
  -- Title, spots and ladders: little, and read with every page.
  practised jsonb not null,
  -- The music of every drill: much, and read for itself.
  sheets jsonb not null,
  -- What the teacher wants of a spot, by its id.
  wishes jsonb not null default '{}',
  created_at timestamptz not null default now(),
  cut_at timestamptz not null default now(),
  removed_at timestamptz,
  constraint course_goals_pkey primary key (id),
  constraint course_goals_of_teacher unique (teacher_id, id),
  constraint course_goals_of_course foreign key (teacher_id, course_id) references courses (teacher_id, id)
    on delete cascade,
  constraint course_goals_fingering foreign key (teacher_id, fingering_id) references fingerings (teacher_id, id)
    on delete set null (fingering_id)
);
create index course_goals_by_course on course_goals (teacher_id, course_id);
create index course_goals_by_fingering on course_goals (teacher_id, fingering_id) where fingering_id is not null;

-- Nothing here is changed or deleted one by one: a correction is another entry, and what it corrects stays.
create table log_entries (
  -- Made where the entry was written, so that what is sent twice is kept once.
  id uuid not null,
  teacher_id uuid not null,
  course_id uuid not null,
  -- The order in which entries arrived.
  sequence bigint generated always as identity,
  practised_on date not null,
  entry jsonb not null,
  -- The first writing of what this one corrects.
  corrects uuid,
  -- A correction that takes the entry out of the log.
  withdrawn boolean not null default false constraint log_entries_withdrawn check (not withdrawn or corrects is not null),
  by_teacher boolean not null,
  logged_at timestamptz not null default now(),
  constraint log_entries_pkey primary key (course_id, id),
  constraint log_entries_of_course foreign key (teacher_id, course_id) references courses (teacher_id, id)
    on delete cascade,
  constraint log_entries_corrects foreign key (course_id, corrects) references log_entries (course_id, id)
    on delete cascade
);
create index log_entries_by_day on log_entries (teacher_id, course_id, practised_on desc);
create index log_entries_corrections on log_entries (course_id, corrects) where corrects is not null;

create table lesson_notes (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  student_id uuid not null,
  goal_id uuid,
  -- Counted from 0; none for a note on the whole piece or on nothing of a piece.
  bar integer constraint lesson_notes_bar check (bar >= 0),
  body text not null constraint lesson_notes_body_length check (length(body) between 1 and 1000),
  made_at timestamptz not null default now(),
  done_at timestamptz,
  constraint lesson_notes_pkey primary key (id),
  constraint lesson_notes_student foreign key (teacher_id, student_id) references students (teacher_id, id)
    on delete cascade,
  constraint lesson_notes_goal foreign key (teacher_id, goal_id) references course_goals (teacher_id, id)
    on delete set null (goal_id)
);
create index lesson_notes_of_student on lesson_notes (teacher_id, student_id, made_at desc);

do $$
declare
  name text;
begin
  foreach name in array array['courses', 'course_goals', 'log_entries', 'lesson_notes'] loop
    execute format('alter table %I enable row level security', name);
    execute format(
      'create policy own_rows on %I to oculon_teacher using (teacher_id = current_teacher()) with check (teacher_id = current_teacher())',
      name);
  end loop;
end
$$;
