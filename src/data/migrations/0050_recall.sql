-- What a run used: bottles, liquids, equipment and regulators, written by the database with the event that says so. From here a reference leads forward to every run, document and customer.
create table run_reference (reference_id uuid not null references reference (id), run_id uuid not null references run (id), at timestamptz(3) not null, primary key (reference_id, run_id));
create index run_reference_order on run_reference (reference_id, at, run_id);
create index run_reference_run on run_reference (run_id);
grant select on run_reference to werkbank_app;

create function note_use() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into run_reference (reference_id, run_id, at)
  select r.id, new.run_id, new.occurred_at from reference r
  where r.id = any (array(select text::uuid from unnest(array[new.data->'reference'->>'id', new.data->'regulator'->>'id']) text where text ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'))
  on conflict (reference_id, run_id) do update set at = least(run_reference.at, excluded.at);
  return null;
end $$;
create trigger note_use after insert on run_event for each row when (new.type = 'referenceBound') execute function note_use();
insert into run_reference (reference_id, run_id, at)
select r.id, e.run_id, min(e.occurred_at) from run_event e
cross join lateral unnest(array[e.data->'reference'->>'id', e.data->'regulator'->>'id']) text join reference r on r.id::text = text
where e.type = 'referenceBound' group by r.id, e.run_id;

create index run_summary_technician on run_summary (technician, started_at, run_id);
create index run_procedure on run (procedure_id, procedure_version, created_at, id);

-- A reference that is suspected: since when, what is thought true of it, and what was decided. It stands on an entry of the register.
create table suspicion (
  id uuid primary key default gen_random_uuid(), reference_id uuid not null references reference (id), nonconformity_id uuid not null unique references nonconformity (id),
  why text not null check (why <> ''), doubts jsonb not null, from_day date, to_day date, said text not null default '', opened_at timestamptz(3) not null, opened_by text not null,
  runs integer not null check (runs >= 0), judged integer not null default 0 check (judged >= 0), reached uuid, judged_at timestamptz(3), problem text,
  ending text check (ending in ('released', 'unfounded')), ended_at timestamptz(3), ended_by text, check ((ended_at is null) = (ending is null) and (ended_at is null) = (ended_by is null))
);
-- One at a time of a reference.
create unique index suspicion_open on suspicion (reference_id) where ended_at is null;
create index suspicion_order on suspicion (opened_at, id);
grant select, insert on suspicion to werkbank_app;
grant update (said, judged, reached, judged_at, problem, ending, ended_at, ended_by) on suspicion to werkbank_app;

-- A run that rests on it, judged anew beside its record, and what becomes of its document.
create table suspicion_result (
  suspicion_id uuid not null references suspicion (id), run_id uuid not null references run (id), results jsonb not null,
  found_was text not null, found_would text not null, left_was text not null, left_would text not null,
  decision text not null check (decision in ('withdraw', 'tell', 'keep')), decided_by text, mail_id uuid references mail (id), primary key (suspicion_id, run_id)
);
grant select, insert on suspicion_result to werkbank_app;
grant update (decision, decided_by, mail_id) on suspicion_result to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('suspicion', 'whole', '{id}'), ('suspicion_result', 'digest', '{suspicion_id,run_id}');
create trigger keep_change after insert or update or delete on suspicion for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on suspicion_result for each row execute function keep_change('digest', 'suspicion_id', 'run_id');

-- Judging anew is a job.
create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup', 'reminders', 'judgeAnew') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
