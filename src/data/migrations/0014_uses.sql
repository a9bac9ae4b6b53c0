-- What instruments' own counters of uses showed, where an interval counts uses.
create table asset_use (
  asset_id uuid not null references asset (id),
  read_on date not null,
  count integer not null check (count between 0 and 100000000),
  read_by text not null,
  noted_at timestamptz(3) not null,
  primary key (asset_id, read_on)
);
grant select, insert, update, delete on asset_use to werkbank_app;
