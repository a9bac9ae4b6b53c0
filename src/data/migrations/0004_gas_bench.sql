-- Devices that speak over a line. The gateway connects to host and port; the panel is the hand at a simulated one.
create table device_line (
  id uuid primary key default gen_random_uuid(), kind text not null check (kind in ('instrument', 'tagReader', 'barometer', 'flowMeter')), name text not null,
  host text not null, port integer not null, panel_port integer, maker text not null default '', serial text not null default '', hello jsonb,
  state text not null default 'away' check (state in ('connected', 'away')), reason text not null default '', dropped integer not null default 0, dropped_why text not null default '', seen_at timestamptz(3)
);
create unique index device_line_address on device_line (host, port);
create index device_line_serial on device_line (lower(maker), upper(serial));

-- One gateway owns the lines; another takes over when the lease has run out.
create table gateway_lease (name text primary key, holder text not null, until timestamptz(3) not null);

-- What the lines said lately, about a quarter of a second a row. No record: it may be lost with the machine and is thrown away after half an hour; what a run needs is kept as its trace.
create unlogged table live_frame (
  id bigint generated always as identity primary key, line_id uuid not null, at timestamptz(3) not null, said jsonb not null
);
create index live_frame_line on live_frame (line_id, id);
create index live_frame_at on live_frame (at);

-- The raw readings behind a step of a run: evidence, compressed, with the hash that stands in the run's own events.
create table run_trace (
  id uuid primary key, run_id uuid not null references run (id), step text not null, line_id uuid not null, from_at timestamptz(3) not null, to_at timestamptz(3) not null,
  frames integer not null, bytes bytea not null, hash text not null
);
create index run_trace_run on run_trace (run_id, from_at);

-- Which screen captures live readings of a run; the others watch.
create table run_hand (run_id uuid primary key references run (id), screen text not null, who text not null, until timestamptz(3) not null);

-- The shelf: regulators, tubes, scrubbers and measuring equipment stand beside the bottles.
alter table reference add column role text not null default '', add column detail jsonb not null default '{}', add column state text not null default 'good' check (state in ('good', 'spent', 'outOfUse')), add column opened_on date;
create table reference_check (
  id bigint generated always as identity primary key, reference_id uuid not null references reference (id), at timestamptz(3) not null, by text not null,
  what text not null check (what in ('pressure', 'check', 'state', 'made')), value text not null default '', result text not null default '', note text not null default ''
);
create index reference_check_reference on reference_check (reference_id, at desc);

-- A bump is due on its own, beside the calibration.
alter table asset add column bumped_at timestamptz(3), add column bump_passed boolean;

-- What a docking station wrote down, taken in line by line; the same line is taken once.
create table station_entry (
  id uuid primary key default gen_random_uuid(), station text not null, serial text not null, maker text not null, kind text not null check (kind in ('bump', 'calibration')), at timestamptz(3) not null,
  passed boolean not null, channels jsonb not null, gas jsonb not null, outputs jsonb not null, asset_id uuid not null references asset (id), file text not null, line integer not null,
  taken_at timestamptz(3) not null, taken_by text not null, run_id uuid references run (id)
);
create unique index station_entry_once on station_entry (station, lower(maker), upper(serial), kind, at);
create index station_entry_asset on station_entry (asset_id, at desc);

-- An as-found out of tolerance puts earlier readings in doubt: the customer is told when the signatory releases it.
create table customer_notice (
  id uuid primary key default gen_random_uuid(), run_id uuid not null references run (id), asset_id uuid not null references asset (id), customer_id uuid not null references customer (id),
  subject text not null, body text not null, facts jsonb not null, released_at timestamptz(3) not null, released_by text not null, mail_id uuid references mail (id), unique (run_id)
);

do $$
declare name text;
begin
  foreach name in array array['run_trace', 'reference_check', 'station_entry', 'customer_notice'] loop
    execute format('create trigger no_change before update or delete on %I for each row execute function refuse_change()', name);
    execute format('create trigger no_truncate before truncate on %I for each statement execute function refuse_change()', name);
  end loop;
end $$;

grant select, insert on device_line, gateway_lease, live_frame, run_trace, run_hand, reference_check, station_entry, customer_notice to werkbank_app;
grant update, delete on device_line, gateway_lease, run_hand to werkbank_app;
grant delete on live_frame to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
