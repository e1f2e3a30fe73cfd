-- Run before the migrations, every time: the role in whose name a teacher's work is done.
-- The role belongs to the whole cluster; several databases may be made at once.
do $$
begin
  if not exists (select from pg_roles where rolname = 'oculon_teacher') then
    create role oculon_teacher nologin;
  end if;
exception
  when duplicate_object or unique_violation then null;
  when insufficient_privilege then
    raise exception 'The role oculon_teacher is missing and this database user may not create roles.'
      using hint = 'Let an administrator run: create role oculon_teacher nologin; grant oculon_teacher to the user that Oculon connects with.';
end
$$;
do $$
begin
  if not pg_has_role(current_user, 'oculon_teacher', 'member') then
    execute format('grant oculon_teacher to %I', current_user);
  end if;
exception
  when insufficient_privilege or invalid_grant_operation then null;
end
$$;
