-- A table is taken in by a job, so that a hundred thousand rows hold nobody's screen.
alter table import_batch drop constraint import_batch_state_check;
alter table import_batch add constraint import_batch_state_check check (state in ('filling', 'staged', 'judged', 'taking', 'taken', 'takenBack', 'dropped'));
alter table import_batch add column problem text not null default '';
create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup', 'reminders', 'judgeAnew', 'windowLink', 'windowRequest', 'customerAnswer', 'returns', 'takeImport') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;

-- Which firmware an instrument said it runs when a trace of it was kept: followed forward when a version turns out wrong.
alter table run_trace add column firmware text not null default '';
create index run_trace_firmware on run_trace (upper(firmware), run_id) where firmware <> '';
