-- A customer's own room: everything about them can be corrected, ended and found again. `version` counts corrections, so that whoever saves second sees the first one's.
create extension if not exists pg_trgm;
alter table customer add column phone text not null default '', add column notes text not null default '', add column version int not null default 1,
  add column retired_at timestamptz(3), add column retired_why text not null default '', add column merged_into uuid references customer (id);
-- Of two that were merged the one that is gone may bear the name that is still used.
drop index customer_name;
create unique index customer_name on customer (lower(name)) where merged_into is null;
create index customer_by_name on customer (lower(name), id);
create index customer_alike on customer using gin (lower(name) gin_trgm_ops);
create index customer_text on customer using gin (lower(name || ' ' || contact || ' ' || email || ' ' || phone || ' ' || address) gin_trgm_ops);

create table customer_contact (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), name text not null, email text not null default '', phone text not null default '',
  purposes text[] not null default '{}' check (purposes <@ array['certificates', 'reminders', 'calls']), created_at timestamptz(3) not null
);
create index customer_contact_text on customer_contact using gin (lower(name || ' ' || email || ' ' || phone) gin_trgm_ops);
create index customer_contact_customer on customer_contact (customer_id, created_at, id);

-- What went over when two were merged, so that it can be undone.
create table customer_merge (
  id uuid primary key default gen_random_uuid(), gone uuid not null references customer (id), stays uuid not null references customer (id), moved jsonb not null,
  merged_at timestamptz(3) not null, merged_by text not null, why text not null default '', undone_at timestamptz(3), undone_by text
);
create index customer_merge_stays on customer_merge (stays, merged_at desc);
create index customer_merge_gone on customer_merge (gone, merged_at desc);
grant select, insert, update, delete on customer_contact to werkbank_app;
grant select, insert, update on customer_merge to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('customer_contact', 'whole', '{id}'), ('customer_merge', 'whole', '{id}');
create trigger keep_change after insert or update or delete on customer_contact for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on customer_merge for each row execute function keep_change('whole', 'id');

-- Probes and cells are few among the instruments, and the page of ready probes shows them all.
create index asset_probe on asset (customer_id, id) where part in ('probe', 'cell') and status <> 'retired';

-- Another model brings other channels; the change log keeps those that were taken away.
grant delete on asset_channel to werkbank_app;
