-- A piece that was typed in can be corrected: what its file was before is kept as long as the piece.
create table earlier_sources (
  id uuid not null default gen_random_uuid(),
  teacher_id uuid not null,
  piece_id uuid not null,
  file_name text not null constraint earlier_sources_file_name_length check (length(file_name) between 1 and 400),
  part_id text not null,
  content bytea not null,
  replaced_at timestamptz not null default now(),
  constraint earlier_sources_pkey primary key (id),
  constraint earlier_sources_of_piece foreign key (teacher_id, piece_id) references pieces (teacher_id, id) on delete cascade
);
create index earlier_sources_by_piece on earlier_sources (teacher_id, piece_id, replaced_at desc);

alter table earlier_sources enable row level security;
create policy own_rows on earlier_sources to oculon_teacher
  using (teacher_id = current_teacher()) with check (teacher_id = current_teacher());
