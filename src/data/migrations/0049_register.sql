-- The register of nonconforming work (ISO/IEC 17025:2017, 7.10): what was wrong, and what was done about it, step by step; a step is never changed, a later one of its kind stands before it.
create table nonconformity (
  id uuid primary key default gen_random_uuid(), number text not null unique, kind text not null check (kind in ('foundOutside', 'failedCheck', 'recall', 'complaint', 'other')),
  what text not null check (what <> ''), opened_at timestamptz(3) not null, opened_by text not null, asset_id uuid references asset (id), customer_id uuid references customer (id), run_id uuid references run (id),
  reference_id uuid references reference (id), look_again_on date, closed_at timestamptz(3), closed_by text, check ((closed_at is null) = (closed_by is null))
);
-- A run is found outside once.
create unique index nonconformity_run on nonconformity (run_id) where run_id is not null;
create index nonconformity_order on nonconformity (opened_at, number, id);
create index nonconformity_open on nonconformity (opened_at, number, id) where closed_at is null;
create index nonconformity_asset on nonconformity (asset_id) where asset_id is not null;
create table nonconformity_step (
  id bigint generated always as identity primary key, nonconformity_id uuid not null references nonconformity (id), step text not null check (step in ('evaluation', 'told', 'cause', 'action', 'effect', 'reopened')),
  choice text not null default '', text text not null, by text not null, at timestamptz(3) not null
);
create index nonconformity_step_of on nonconformity_step (nonconformity_id, id);
create trigger no_change before update or delete on nonconformity_step for each row execute function refuse_change();
create trigger no_truncate before truncate on nonconformity_step for each statement execute function refuse_change();
grant select, insert on nonconformity, nonconformity_step to werkbank_app;
grant update (kind, what, look_again_on, closed_at, closed_by) on nonconformity to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('nonconformity', 'whole', '{id}'), ('nonconformity_step', 'whole', '{id}');
create trigger keep_change after insert or update or delete on nonconformity for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on nonconformity_step for each row execute function keep_change('whole', 'id');
