-- Work that waits is a job: enqueued in the transaction that causes it, worked off by a process of its own under a role of its own. The queue itself is made by its library before this (migrate.ts).
create function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'nightly', 'backup') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
revoke all on function enqueue_job(text, json, text, text, int, int, timestamptz) from public;
grant execute on function enqueue_job(text, json, text, text, int, int, timestamptz) to werkbank_app;

alter table mail add column attempts int not null default 0, add column next_try_at timestamptz(3);

-- A sheet that somebody waits for; taken by whoever asked, and forgotten after a minute.
create table drawn_sheet (id uuid primary key, name text, bytes bytea, drawn_at timestamptz(3) not null);
grant select, insert, delete on drawn_sheet to werkbank_app;

-- What the house found of itself at night: verification, backup, trial restore, disk.
create table house_check (
  id bigint generated always as identity primary key, kind text not null check (kind in ('verify', 'anchor', 'backup', 'restore', 'disk')), at timestamptz(3) not null,
  took_ms int not null, ok boolean not null, detail jsonb not null default '{}'
);
create index house_check_newest on house_check (kind, id desc);
grant select, insert on house_check to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
create trigger no_change before update or delete on house_check for each row execute function refuse_change();
create trigger no_truncate before truncate on house_check for each statement execute function refuse_change();
