-- A station holds up to four bottles, and has an interval of its own.
alter table station_entry add column gases jsonb;
update station_entry set gases = jsonb_build_array(gas);
alter table station_entry alter column gases set not null;
alter table station_entry add constraint gases_one_to_four check (jsonb_array_length(gases) between 1 and 4);
alter table station_entry drop column gas;
alter table station_entry add column interval_days integer check (interval_days between 1 and 3650);
