-- Reminders go out by themselves; what the jobs process does, and what of it waits or fails, is seen.
alter table house_check drop constraint house_check_kind_check;
alter table house_check add constraint house_check_kind_check check (kind in ('verify', 'anchor', 'backup', 'restore', 'disk', 'reminders'));
create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup', 'reminders') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
-- What waits, is under way or was put off, by kind of job; the last thing that went wrong with one.
create function jobs_now() returns table (task text, waiting int, running int, failing int, given_up int, next_at timestamptz, problem text)
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  return query execute 'select j.task_identifier::text, count(*) filter (where j.locked_at is null and j.attempts = 0)::int, count(*) filter (where j.locked_at is not null)::int,
    count(*) filter (where j.locked_at is null and j.attempts > 0 and j.attempts < j.max_attempts)::int, count(*) filter (where j.locked_at is null and j.attempts >= j.max_attempts)::int,
    min(j.run_at) filter (where j.locked_at is null and j.attempts < j.max_attempts), (array_agg(left(j.last_error, 300) order by j.updated_at desc) filter (where j.last_error is not null))[1]
    from graphile_worker.jobs j group by 1 order by 1';
end $$;
revoke all on function jobs_now() from public;
grant execute on function jobs_now() to werkbank_app;

-- A document goes to its customer when it is approved, where the customer wants it so.
alter table customer add column wants_certificates boolean not null default true;
alter table mail add column attached_certificate uuid references certificate (id);
create index mail_attached on mail (attached_certificate) where attached_certificate is not null;
