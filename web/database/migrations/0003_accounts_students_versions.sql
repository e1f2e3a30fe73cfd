-- Teachers sign in; their students, instruments and versions of fingerings; row security as a second wall.

-- 1. Teachers ---------------------------------------------------------------------------------------------------------
alter table teachers
  -- In small letters; missing for a teacher whom only the operator lets in (the demo's first start, databases of before).
  add column email text constraint teachers_email_length check (length(email) between 3 and 254),
  -- Argon2id, in its own text form with parameters and salt.
  add column password_hash text constraint teachers_password_hash_length check (length(password_hash) <= 200),
  add column language text not null default 'en' constraint teachers_language check (language in ('en', 'es')),
  add column note_names text not null default 'letters' constraint teachers_note_names check (note_names in ('letters', 'solfege')),
  -- When the account and all that hangs on it goes for good; the teacher can take it back until then.
  add column deletion_due_at timestamptz;
create unique index teachers_by_email on teachers (email);

create table sessions (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint sessions_teacher references teachers on delete cascade,
  -- SHA-256 of the token in the cookie: who reads the table cannot sign in with it.
  token_hash bytea not null,
  created_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  ends_at timestamptz not null,
  -- What the browser says of itself, for the teacher to tell sessions apart.
  browser text not null default '' constraint sessions_browser_length check (length(browser) <= 300),
  constraint sessions_pkey primary key (id),
  constraint sessions_token unique (token_hash)
);
create index sessions_of_teacher on sessions (teacher_id, seen_at desc);

-- Letters with a link that works once: an invitation, or a new password.
create table tickets (
  id uuid not null default gen_random_uuid(),
  kind text not null constraint tickets_kind check (kind in ('invitation', 'reset')),
  token_hash bytea not null,
  -- Whose password; nobody's yet for an invitation.
  teacher_id uuid constraint tickets_teacher references teachers on delete cascade,
  email text constraint tickets_email_length check (length(email) between 3 and 254),
  created_at timestamptz not null default now(),
  ends_at timestamptz not null,
  used_at timestamptz,
  constraint tickets_pkey primary key (id),
  constraint tickets_token unique (token_hash),
  constraint tickets_reset_has_teacher check (kind <> 'reset' or teacher_id is not null)
);
create index tickets_of_teacher on tickets (teacher_id);

-- Browsers in which a teacher has signed in before: they are not held up by what others try with the same address.
create table devices (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint devices_teacher references teachers on delete cascade,
  token_hash bytea not null,
  created_at timestamptz not null default now(),
  constraint devices_pkey primary key (id),
  constraint devices_token unique (token_hash)
);
create index devices_of_teacher on devices (teacher_id);

-- Attempts counted by rate-limiter-flexible; the columns are its own.
create table attempts (
  key varchar(255) not null,
  points integer not null default 0,
  expire bigint,
  constraint attempts_pkey primary key (key)
);

-- Letters that no mail server was there to take.
create table outbox (
  id uuid not null default gen_random_uuid(),
  recipient text not null,
  subject text not null,
  body text not null,
  created_at timestamptz not null default now(),
  constraint outbox_pkey primary key (id)
);
create index outbox_by_time on outbox (created_at desc);

-- 2. Students and instruments -----------------------------------------------------------------------------------------
create table instruments (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint instruments_teacher references teachers on delete cascade,
  name text not null constraint instruments_name_length check (length(name) between 1 and 100),
  scale_length numeric(5, 1) not null default 650 constraint instruments_scale_length check (scale_length between 400 and 700),
  -- Open strings ① to ⑥ by name.
  tuning text[] not null default '{E4,B3,G3,D3,A2,E2}' constraint instruments_tuning check (array_length(tuning, 1) = 6),
  frets integer not null default 19 constraint instruments_frets check (frets between 12 and 24),
  capo integer not null default 0 constraint instruments_capo check (capo between 0 and 12),
  left_handed boolean not null default false,
  created_at timestamptz not null default now(),
  constraint instruments_pkey primary key (id),
  constraint instruments_of_teacher unique (teacher_id, id),
  constraint instruments_named_once unique (teacher_id, name)
);

create table students (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint students_teacher references teachers on delete cascade,
  name text not null constraint students_name_length check (length(name) between 1 and 100),
  level text not null default '' constraint students_level_length check (length(level) <= 200),
  language text not null default 'en' constraint students_language check (language in ('en', 'es')),
  note_names text not null default 'letters' constraint students_note_names check (note_names in ('letters', 'solfege')),
  hand text not null default 'medium' constraint students_hand check (hand in ('small', 'medium', 'large')),
  -- Measured comfortable spans by pair of fingers, in mm; they overrule the size.
  spans jsonb not null default '{}',
  instrument_id uuid,
  minutes_a_day integer not null default 30 constraint students_minutes check (minutes_a_day between 0 and 600),
  -- Days of the week on which there is practice, 1 Monday to 7 Sunday.
  days integer[] not null default '{1,2,3,4,5,6,7}' constraint students_days check (days <@ '{1,2,3,4,5,6,7}'::integer[]),
  notes text not null default '' constraint students_notes_length check (length(notes) <= 5000),
  archived_at timestamptz,
  created_at timestamptz not null default now(),
  constraint students_pkey primary key (id),
  constraint students_of_teacher unique (teacher_id, id),
  constraint students_instrument foreign key (teacher_id, instrument_id) references instruments (teacher_id, id)
    on delete set null (instrument_id)
);
create index students_by_name on students (teacher_id, name);

-- 3. Versions: a fingering has a name, somebody it is for, and one it came from -------------------------------------------
alter table fingerings
  add constraint fingerings_name_length check (length(name) between 1 and 100),
  add column maker text not null default '' constraint fingerings_maker_length check (length(maker) <= 200),
  add column student_id uuid,
  add column origin_id uuid,
  -- Revision of the origin at which it was copied.
  add column origin_revision integer,
  add column touched_at timestamptz not null default now(),
  -- Put away by the teacher, who can take it back for a while.
  add column deleted_at timestamptz,
  add constraint fingerings_student foreign key (teacher_id, student_id) references students (teacher_id, id)
    on delete set null (student_id),
  add constraint fingerings_origin foreign key (teacher_id, origin_id) references fingerings (teacher_id, id)
    on delete set null (origin_id);
create index fingerings_of_student on fingerings (teacher_id, student_id) where student_id is not null;
create index fingerings_of_origin on fingerings (teacher_id, origin_id) where origin_id is not null;
update fingerings set touched_at = coalesce(
  (select max(made_at) from edits where edits.fingering_id = fingerings.id), fingerings.created_at);

create table labels (
  teacher_id uuid not null,
  fingering_id uuid not null,
  revision integer not null constraint labels_revision check (revision >= 0),
  label text not null constraint labels_label_length check (length(label) between 1 and 100),
  created_at timestamptz not null default now(),
  constraint labels_pkey primary key (fingering_id, revision),
  constraint labels_of_fingering foreign key (teacher_id, fingering_id) references fingerings (teacher_id, id) on delete cascade
);

-- 4. Row security: work done in a teacher's name sees that teacher's rows alone, also when a statement forgets its where.
-- The role and its grants stand in files of their own: they are made again wherever a database comes to.
create function current_teacher() returns uuid language sql stable as
  $$ select nullif(current_setting('oculon.teacher', true), '')::uuid $$;

do $$
declare
  name text;
begin
  foreach name in array array['pieces', 'sources', 'fingerings', 'edits', 'students', 'instruments', 'labels'] loop
    execute format('alter table %I enable row level security', name);
    execute format(
      'create policy own_rows on %I to oculon_teacher using (teacher_id = current_teacher()) with check (teacher_id = current_teacher())',
      name);
  end loop;
end
$$;
alter table teachers enable row level security;
create policy own_row on teachers to oculon_teacher using (id = current_teacher()) with check (id = current_teacher());
