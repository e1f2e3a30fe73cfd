-- Every table hangs on a teacher; foreign keys carry the teacher along, so that a row can never point into
-- another teacher's work.

create table teachers (
  id uuid primary key default gen_random_uuid(),
  name text not null constraint teachers_name_length check (length(name) between 1 and 200),
  created_at timestamptz not null default now(),
  -- When the demo data was loaded; it is loaded once, so that what a teacher deletes stays deleted.
  demo_loaded_at timestamptz
);

create table pieces (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null constraint pieces_teacher references teachers on delete cascade,
  title text not null constraint pieces_title_length check (length(title) between 1 and 300),
  composer text not null default '' constraint pieces_composer_length check (length(composer) <= 300),
  bars integer not null constraint pieces_bars_positive check (bars > 0),
  notes integer not null constraint pieces_notes_positive check (notes > 0),
  key_fifths integer not null constraint pieces_key_range check (key_fifths between -14 and 14),
  key_mode text constraint pieces_key_mode check (key_mode in ('major', 'minor')),
  created_at timestamptz not null default now(),
  touched_at timestamptz not null default now(),
  constraint pieces_pkey primary key (id),
  constraint pieces_of_teacher unique (teacher_id, id)
);
create index pieces_by_touch on pieces (teacher_id, touched_at desc);

-- The file as it came, kept for ever.
create table sources (
  piece_id uuid not null,
  teacher_id uuid not null,
  file_name text not null constraint sources_file_name_length check (length(file_name) between 1 and 400),
  part_id text not null,
  content bytea not null,
  -- What was mended while reading, for the teacher to know.
  repairs jsonb not null default '[]',
  created_at timestamptz not null default now(),
  constraint sources_pkey primary key (piece_id),
  constraint sources_of_piece foreign key (teacher_id, piece_id) references pieces (teacher_id, id) on delete cascade
);

create table fingerings (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  piece_id uuid not null,
  name text not null default 'First fingering',
  -- Number of edits made; an edit is accepted only on the revision it was made for.
  revision integer not null default 0 constraint fingerings_revision_positive check (revision >= 0),
  -- Hand, instrument and schools.
  setup jsonb not null default '{}',
  created_at timestamptz not null default now(),
  constraint fingerings_pkey primary key (id),
  constraint fingerings_of_teacher unique (teacher_id, id),
  constraint fingerings_of_piece foreign key (teacher_id, piece_id) references pieces (teacher_id, id) on delete cascade
);
create index fingerings_by_piece on fingerings (teacher_id, piece_id);

-- Append-only: what was decided, in order.
create table edits (
  fingering_id uuid not null,
  teacher_id uuid not null,
  revision integer not null constraint edits_revision_positive check (revision > 0),
  -- Chosen by the client, so that an edit sent twice is kept once.
  edit_id uuid not null,
  edit jsonb not null,
  made_at timestamptz not null default now(),
  constraint edits_pkey primary key (fingering_id, revision),
  constraint edits_once unique (fingering_id, edit_id),
  constraint edits_of_fingering foreign key (teacher_id, fingering_id) references fingerings (teacher_id, id) on delete cascade
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'edits are append-only' using errcode = 'integrity_constraint_violation', constraint = 'edits_append_only';
end
$$;
create trigger edits_append_only before update on edits for each row execute function refuse_change();
