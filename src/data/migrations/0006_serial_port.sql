-- A line may be read by a browser on its own serial port instead of the gateway: then one screen holds it.
alter table device_line add column via text not null default 'tcp' check (via in ('tcp', 'browser')), add column holder text not null default '';
