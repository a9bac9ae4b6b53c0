-- Which run a station's row was made into: one row, one record, however many people press.
create table station_record (
  entry_id uuid primary key references station_entry (id),
  run_id uuid not null unique references run (id),
  made_by text not null,
  made_at timestamptz(3) not null
);
grant select, insert, update on station_record to werkbank_app;
alter table station_entry drop column run_id;
