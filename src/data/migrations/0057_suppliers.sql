-- Evaluations of suppliers of gases, liquids and equipment (ISO/IEC 17025:2017, 6.6): the newest of each holds, none is changed.
create table supplier_review (
  id uuid primary key default gen_random_uuid(), supplier text not null check (supplier <> ''), verdict text not null check (verdict in ('approved', 'watched', 'barred')), why text not null check (why <> ''), review_by date,
  made_at timestamptz(3) not null, made_by text not null
);
create index supplier_review_of on supplier_review (lower(supplier), made_at desc, id);
grant select, insert on supplier_review to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('supplier_review', 'whole', '{id}');
create trigger keep_change after insert or update or delete on supplier_review for each row execute function keep_change('whole', 'id');
create trigger no_change before update or delete on supplier_review for each row execute function refuse_change();
create trigger no_truncate before truncate on supplier_review for each statement execute function refuse_change();

-- What was given up is tried again when somebody who looked after its cause says so.
create function retry_jobs(which text) returns int language plpgsql security definer set search_path = public, pg_temp as $$
declare many int;
begin
  execute 'select count(*) from graphile_worker.reschedule_jobs((select coalesce(array_agg(j.id), ''{}'') from graphile_worker.jobs j where j.task_identifier = $1 and j.locked_at is null and j.attempts >= j.max_attempts), run_at := now(), attempts := 0)'
    into many using which;
  return many;
end $$;
revoke all on function retry_jobs(text) from public;
grant execute on function retry_jobs(text) to werkbank_app;
