-- A newer version given in place of an older one under the same link; what was given when stays known.

alter table handouts
  -- Planned for the hand of its student although the version is for nobody or somebody else.
  add column own_hand boolean not null default false,
  -- When what it shows was given, and what is new in it since the edition before.
  add column given_at timestamptz not null default now(),
  add column changes jsonb not null default '[]';
update handouts set given_at = created_at;

create table handout_editions (
  teacher_id uuid not null,
  handout_id uuid not null,
  -- From 1; the one that is open now is not among them.
  edition integer not null,
  revision integer not null,
  lesson jsonb not null,
  remarks text not null,
  content jsonb not null,
  changes jsonb not null,
  given_at timestamptz not null,
  constraint handout_editions_pkey primary key (handout_id, edition),
  constraint handout_editions_of_handout foreign key (teacher_id, handout_id) references handouts (teacher_id, id)
    on delete cascade
);
create index handout_editions_of_teacher on handout_editions (teacher_id, handout_id);
alter table handout_editions enable row level security;
create policy own_rows on handout_editions to oculon_teacher
  using (teacher_id = current_teacher()) with check (teacher_id = current_teacher());
