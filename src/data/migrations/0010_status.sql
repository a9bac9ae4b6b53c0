-- Where an instrument stands is a small machine: since when, why, by whom, and what has to be covered before it comes back.
drop index asset_due; drop index asset_due_customer;
alter table asset drop constraint asset_status_check;
update asset set status = 'inUse' where status = 'active';
alter table asset alter column status set default 'inUse',
  add constraint asset_status_check check (status in ('inUse', 'atService', 'outOfService', 'outside', 'retired')),
  add column status_since timestamptz(3),
  add column status_why text not null default '',
  add column status_by text not null default '',
  add column status_failed jsonb;
create index asset_due on asset (next_due, id) where next_due is not null and status = 'inUse';
create index asset_due_customer on asset (customer_id, next_due, id) where next_due is not null and status = 'inUse';
-- Alarm points as agreed, so that they are known without a cable.
alter table asset_channel add column alarms jsonb;
