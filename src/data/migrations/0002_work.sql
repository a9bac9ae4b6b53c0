create table receipt (
  id uuid primary key default gen_random_uuid(), number text not null unique, customer_id uuid not null references customer (id), contact text not null default '',
  received_at timestamptz(3) not null, received_by text not null, note text not null default ''
);

create table ticket (
  id uuid primary key default gen_random_uuid(), receipt_id uuid not null references receipt (id), customer_id uuid not null references customer (id), asset_id uuid not null references asset (id),
  code text not null unique, wish text not null, promise_on date, due_agreed boolean not null default false, rule text not null default 'simple' check (rule in ('simple', 'guarded')),
  inspection jsonb not null default '{}', note text not null default '',
  status text not null default 'inTray' check (status in ('inTray', 'onBench', 'toApprove', 'toReturn', 'returned')),
  place smallint, placed_at timestamptz(3), run_id uuid, created_at timestamptz(3) not null, returned_at timestamptz(3)
);
create unique index ticket_place on ticket (place) where place is not null;
create index ticket_open on ticket (status, promise_on, id) where status <> 'returned';
create index ticket_asset on ticket (asset_id, created_at desc);

create table reference (
  id uuid primary key default gen_random_uuid(), kind text not null check (kind in ('gas', 'cleanAir', 'buffer', 'standard', 'tool')), name text not null, maker text not null default '', lot text not null,
  part_number text not null default '', fitting text not null default '', components jsonb not null, balance text, expires date, certificate text, traceability text,
  water_volume_l text, pressure_bar text, price text, recalled text, created_at timestamptz(3) not null
);
create unique index reference_lot on reference (name, lot);

-- What was drawn from a bottle. Never changed: what is left is worked out.
create table reference_booking (
  id bigint generated always as identity primary key, reference_id uuid not null references reference (id), run_id uuid not null, seq integer not null, litres numeric(10, 3) not null, at timestamptz(3) not null, by text not null,
  unique (run_id, seq)
);
create index reference_booking_reference on reference_booking (reference_id);

-- A procedure as it was when a run first used it.
create table procedure_version (id text not null, version integer not null, document jsonb not null, hash text not null, frozen_at timestamptz(3) not null, primary key (id, version));

create table run (
  id uuid primary key, ticket_id uuid references ticket (id), asset_id uuid not null references asset (id), customer_id uuid not null references customer (id),
  procedure_id text not null, procedure_version integer not null, created_at timestamptz(3) not null,
  foreign key (procedure_id, procedure_version) references procedure_version (id, version)
);
create index run_asset on run (asset_id, created_at desc);

create table run_event (
  run_id uuid not null references run (id), seq integer not null, version smallint not null, type text not null, command text not null,
  occurred_at timestamptz(3) not null, recorded_at timestamptz(3) not null, actor jsonb not null, source text not null, step text, iteration smallint, data jsonb not null,
  previous_hash text not null, hash text not null,
  primary key (run_id, seq)
);

create table run_command (run_id uuid not null references run (id), command text not null, first_seq integer not null, last_seq integer not null, reply jsonb not null, at timestamptz(3) not null, primary key (run_id, command));

create table run_summary (
  run_id uuid primary key references run (id), asset_id uuid not null references asset (id), customer_id uuid not null references customer (id), last_seq integer not null,
  status text not null, as_found text not null, as_left text not null, adjusted boolean not null, practice boolean not null,
  started_at timestamptz(3) not null, finished_at timestamptz(3), approved_at timestamptz(3), technician text not null
);
create index run_summary_asset on run_summary (asset_id, started_at desc);
create index run_summary_waiting on run_summary (finished_at) where status = 'finished';

create table channel_result (
  run_id uuid not null references run (id), channel text not null, point text not null, asset_id uuid not null references asset (id), label text not null, unit text not null, target text,
  found_text text, found_error text, found_state text, left_text text, left_error text, left_expanded text, left_state text, adjusted boolean not null, at timestamptz(3) not null,
  primary key (run_id, channel, point)
);
create index channel_result_asset on channel_result (asset_id, at desc);
