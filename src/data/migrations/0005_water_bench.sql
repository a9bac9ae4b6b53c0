-- The water bench: buffers and standards with their own tables, what each calibration says of a probe, and where a probe is.

alter table reference drop constraint reference_kind_check;
alter table reference add constraint reference_kind_check check (kind in ('gas', 'cleanAir', 'buffer', 'standard', 'tool', 'solution'));

alter table reference_check drop constraint if exists reference_check_what_check;
alter table reference_check add constraint reference_check_what_check check (what in ('pressure', 'check', 'state', 'made', 'opened'));

alter table asset_channel add column water jsonb;
alter table asset add column part text not null default 'body' check (part in ('body', 'probe', 'module', 'cell')), add column ready_until date;

-- One row a run and channel, derived from the events in the same transaction: the electrode sheet reads this and replays nothing.
create table probe_calibration (
  run_id uuid not null references run (id), channel text not null, asset_id uuid not null references asset (id), label text not null, kind text not null, unit text not null, at timestamptz(3) not null,
  slope_percent double precision, offset_mv double precision, cell_constant double precision, mv_per_decade double precision, response_seconds double precision, points jsonb not null, segments jsonb not null,
  care jsonb not null, as_left text not null, primary key (run_id, channel)
);
create index probe_calibration_asset on probe_calibration (asset_id, at desc);

-- Which probe or cell is, or was, in which meter and where; a row is closed, never taken away.
create table probe_place (
  id uuid primary key default gen_random_uuid(), probe_id uuid not null references asset (id), host_id uuid references asset (id), place text not null default '', from_at timestamptz(3) not null,
  until_at timestamptz(3), by text not null, note text not null default ''
);
create unique index probe_place_now on probe_place (probe_id) where until_at is null;
create index probe_place_host on probe_place (host_id, from_at desc);

grant select, insert, update on probe_calibration, probe_place to werkbank_app;
