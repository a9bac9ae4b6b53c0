-- Instruments that a customer announces for a day or a week, before they come.
create table booking (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), arrives_on date not null, whole_week boolean not null default false, contact text not null default '', note text not null default '',
  state text not null default 'announced' check (state in ('announced', 'arrived', 'cancelled')), receipt_id uuid references receipt (id), over_ceiling boolean not null default false, changes integer not null default 0,
  made_at timestamptz(3) not null, made_by text not null, changed_at timestamptz(3) not null, ended_at timestamptz(3), ended_by text, ended_why text not null default '',
  check ((state = 'announced') = (ended_at is null)), check (not whole_week or extract(isodow from arrives_on) = 1)
);
create index booking_order on booking (arrives_on, id);
create index booking_announced on booking (arrives_on, id) where state = 'announced';
create index booking_customer on booking (customer_id, arrives_on);
create table booking_item (booking_id uuid not null references booking (id), asset_id uuid not null references asset (id), open boolean not null default true, primary key (booking_id, asset_id));
-- An instrument is announced once at a time.
create unique index booking_item_open on booking_item (asset_id) where open;
grant select, insert on booking to werkbank_app;
grant update (arrives_on, whole_week, contact, note, state, receipt_id, over_ceiling, changes, changed_at, ended_at, ended_by, ended_why) on booking to werkbank_app;
grant select, insert, delete, update (open) on booking_item to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('booking', 'whole', '{id}'), ('booking_item', 'whole', '{booking_id,asset_id}');
create trigger keep_change after insert or update or delete on booking for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on booking_item for each row execute function keep_change('whole', 'booking_id', 'asset_id');
-- What is due in a week, whoever it belongs to.
create index if not exists asset_due_in_use on asset (next_due) where status = 'inUse' and next_due is not null;
