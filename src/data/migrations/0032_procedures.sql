-- Procedures of the workshop's own: a draft that is worked on, versions that are released and stay, and versions that are recalled. What ships stands in the program and can be recalled as well.
create table own_procedure (
  id text primary key check (id ~ '^[a-z0-9-]{3,60}$'), title text not null, draft jsonb, row_version int not null default 1, based_on text, based_document jsonb, walk jsonb,
  created_by text not null, created_at timestamptz(3) not null, retired_at timestamptz(3), retired_why text not null default ''
);
create table own_procedure_version (
  procedure_id text not null references own_procedure (id), version int not null, document jsonb not null, hash text not null, note text not null, tried text not null, result text not null, validated_on date not null, validated_by text not null,
  ways int not null, released_by text not null, released_at timestamptz(3) not null, primary key (procedure_id, version)
);
create table procedure_recall (
  procedure_id text not null, version int not null, why text not null, recalled_by text not null, recalled_at timestamptz(3) not null, lifted_why text not null default '', lifted_by text, lifted_at timestamptz(3),
  primary key (procedure_id, version, recalled_at)
);
grant select, insert, update on own_procedure, procedure_recall to werkbank_app;
grant select, insert on own_procedure_version to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('own_procedure', 'whole', '{id}'), ('own_procedure_version', 'digest', '{procedure_id,version}'), ('procedure_recall', 'whole', '{procedure_id,version,recalled_at}');
create trigger keep_change after insert or update or delete on own_procedure for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on own_procedure_version for each row execute function keep_change('digest', 'procedure_id', 'version');
create trigger keep_change after insert or update or delete on procedure_recall for each row execute function keep_change('whole', 'procedure_id', 'version', 'recalled_at');

create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
