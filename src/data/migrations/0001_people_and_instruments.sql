-- People who sign in. Columns as the sign-in library wants them; sessions are rows, so that they can be ended.
create extension if not exists pg_trgm;

create table "user" (
  id text primary key, name text not null, email text not null unique, email_verified boolean not null default false, image text,
  role text not null default 'technician' check (role in ('counter', 'technician', 'signatory', 'administrator')),
  active boolean not null default true,
  created_at timestamptz(3) not null default now(), updated_at timestamptz(3) not null default now()
);
create table session (
  id text primary key, expires_at timestamptz(3) not null, token text not null unique, created_at timestamptz(3) not null default now(), updated_at timestamptz(3) not null default now(),
  ip_address text, user_agent text, user_id text not null references "user" (id) on delete cascade
);
create index session_by_user on session (user_id);
create table account (
  id text primary key, account_id text not null, provider_id text not null, user_id text not null references "user" (id) on delete cascade,
  access_token text, refresh_token text, id_token text, access_token_expires_at timestamptz(3), refresh_token_expires_at timestamptz(3), scope text, password text,
  created_at timestamptz(3) not null default now(), updated_at timestamptz(3) not null default now()
);
create index account_by_user on account (user_id);
create table verification (
  id text primary key, identifier text not null, value text not null, expires_at timestamptz(3) not null,
  created_at timestamptz(3) not null default now(), updated_at timestamptz(3) not null default now()
);
create table sign_in_failure (id bigint generated always as identity primary key, email text not null, at timestamptz(3) not null);
create index sign_in_failure_recent on sign_in_failure (email, at);

create table setting (key text primary key, value jsonb not null);

create table customer (
  id uuid primary key default gen_random_uuid(), name text not null, address text not null default '', contact text not null default '', email text not null default '',
  wants_reminders boolean not null default true, agrees_due boolean not null default false, created_at timestamptz(3) not null
);
create unique index customer_name on customer (lower(name));

create table instrument_model (
  id uuid primary key default gen_random_uuid(), maker text not null, name text not null, kind text not null, procedure_id text,
  properties jsonb not null default '[]', channels jsonb not null default '[]'
);
create unique index instrument_model_name on instrument_model (lower(maker), lower(name));

create table asset (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), model_id uuid not null references instrument_model (id),
  maker text not null, serial text not null, tag text not null default '', status text not null default 'active' check (status in ('active', 'outOfService', 'retired')),
  next_due date, due_basis jsonb, created_at timestamptz(3) not null
);
create unique index asset_serial on asset (lower(maker), upper(serial));
create index asset_due on asset (next_due, id) where next_due is not null and status = 'active';
create index asset_due_customer on asset (customer_id, next_due, id) where next_due is not null and status = 'active';
create index asset_customer on asset (customer_id, id);
create index asset_search on asset using gin (serial gin_trgm_ops, tag gin_trgm_ops);

create table asset_channel (
  id uuid primary key default gen_random_uuid(), asset_id uuid not null references asset (id), position smallint not null, role text not null, label text not null,
  measurand text not null, unit text not null, resolution text not null, lowest text not null, highest text not null, tolerance jsonb not null,
  calibration_gas text, sensor_serial text, installed_on date, principle text, clean_air text, scale jsonb,
  status text not null default 'fitted' check (status in ('fitted', 'removed', 'notCalibrated'))
);
create index asset_channel_asset on asset_channel (asset_id, position);

create table interval_policy (
  id uuid primary key default gen_random_uuid(), scope text not null check (scope in ('asset', 'customerModel', 'customer', 'model')),
  asset_id uuid references asset (id), customer_id uuid references customer (id), model_id uuid references instrument_model (id), every jsonb not null, reason text not null default ''
);
create unique index interval_policy_asset on interval_policy (asset_id) where scope = 'asset';
create unique index interval_policy_customer_model on interval_policy (customer_id, model_id) where scope = 'customerModel';
create unique index interval_policy_customer on interval_policy (customer_id) where scope = 'customer';
create unique index interval_policy_model on interval_policy (model_id) where scope = 'model';

-- Numbers without gaps: the row is locked while the thing that carries the number is made.
create table number_counter (kind text not null, year smallint not null, last integer not null, primary key (kind, year));
