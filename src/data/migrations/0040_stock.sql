-- Spares with serial and shelf life, what of them went into which instrument, and instruments that are lent.
create table stock_item (
  id uuid primary key default gen_random_uuid(), kind text not null check (kind in ('sensor', 'filter', 'membrane', 'electrolyte', 'battery', 'part')), name text not null, part_number text not null default '',
  serial text not null default '', shelf_until date, place text not null default '', quantity integer not null check (quantity >= 0), version integer not null default 1,
  made_by text not null, made_at timestamptz(3) not null, ended_why text, ended_by text, ended_at timestamptz(3),
  -- What has a serial is there once.
  check (serial = '' or quantity <= 1), check ((ended_at is null) = (ended_why is null))
);
create unique index stock_serial on stock_item (kind, upper(serial)) where serial <> '' and ended_at is null;
create table stock_use (
  id uuid primary key default gen_random_uuid(), item_id uuid not null references stock_item (id), ticket_id uuid not null references ticket (id), quantity integer not null check (quantity > 0),
  used_by text not null, used_at timestamptz(3) not null, back_why text, back_by text, back_at timestamptz(3)
);
create index stock_use_ticket on stock_use (ticket_id);
create index stock_use_item on stock_use (item_id);
alter table asset add column for_loan boolean not null default false;
create index asset_for_loan on asset (id) where for_loan;
create table loan (
  id uuid primary key default gen_random_uuid(), asset_id uuid not null references asset (id), customer_id uuid not null references customer (id), ticket_id uuid references ticket (id),
  lent_at timestamptz(3) not null, lent_by text not null, due_back date not null, contact text not null default '', note text not null default '',
  back_at timestamptz(3), back_by text, fault text not null default '', check ((back_at is null) = (back_by is null))
);
-- An instrument is with one customer at a time.
create unique index loan_out on loan (asset_id) where back_at is null;
create index loan_asset on loan (asset_id, lent_at desc);
grant select, insert on stock_item, stock_use, loan to werkbank_app;
grant update (kind, name, part_number, serial, shelf_until, place, quantity, version, ended_why, ended_by, ended_at) on stock_item to werkbank_app;
grant update (back_why, back_by, back_at) on stock_use to werkbank_app;
grant update (due_back, contact, note, back_at, back_by, fault) on loan to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('stock_item', 'whole', '{id}'), ('stock_use', 'whole', '{id}'), ('loan', 'whole', '{id}');
create trigger keep_change after insert or update or delete on stock_item for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on stock_use for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on loan for each row execute function keep_change('whole', 'id');
