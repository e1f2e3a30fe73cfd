-- Hand, instrument and schools were kept beside the edits and could overtake them; they become edits like all others.

-- How an edit is written down, so that those of an older program can be read: 1 without the setup, 2 with it.
alter table edits add column format smallint not null default 1 constraint edits_format_positive check (format > 0);
alter table edits alter column format drop default;

-- What was chosen so far becomes the last edit of each fingering: every field was undecided before.
insert into edits (fingering_id, teacher_id, revision, edit_id, edit, format)
select
  fingering.id,
  fingering.teacher_id,
  fingering.revision + 1,
  gen_random_uuid(),
  jsonb_build_object(
    'kind', 'setup',
    'before', (select jsonb_object_agg(field, null::text) from jsonb_object_keys(fingering.setup) as field),
    'after', fingering.setup
  ),
  2
from fingerings as fingering
where fingering.setup <> '{}';

update fingerings set revision = revision + 1 where setup <> '{}';
alter table fingerings drop column setup;
