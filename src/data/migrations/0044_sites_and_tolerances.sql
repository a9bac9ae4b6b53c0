-- Where a customer has its instruments, and tolerances that were agreed with it (ISO/IEC 17025:2017, 7.1.3).
create table customer_site (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), name text not null check (name <> ''), address text not null default '',
  ended_at timestamptz(3), created_at timestamptz(3) not null, unique (id, customer_id)
);
create unique index customer_site_name on customer_site (customer_id, lower(name)) where ended_at is null;
alter table asset add column site_id uuid;
-- A site of another customer is nowhere; deferred, because who is merged takes both along.
alter table asset add constraint asset_site foreign key (site_id, customer_id) references customer_site (id, customer_id) deferrable initially deferred;
create index asset_site_serial on asset (site_id, serial, id) where site_id is not null;
create index customer_site_text on customer_site using gin (lower(name) gin_trgm_ops);
create table customer_tolerance (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), model_id uuid not null references instrument_model (id), role text not null,
  tolerance jsonb not null, agreed_on date not null, agreed_with text not null, made_by text not null, made_at timestamptz(3) not null,
  ended_at timestamptz(3), ended_by text, check ((ended_at is null) = (ended_by is null))
);
create unique index customer_tolerance_one on customer_tolerance (customer_id, model_id, role) where ended_at is null;
grant select, insert on customer_site, customer_tolerance to werkbank_app;
grant update (customer_id, name, address, ended_at) on customer_site to werkbank_app;
grant update (customer_id, tolerance, agreed_on, agreed_with, ended_at, ended_by) on customer_tolerance to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('customer_site', 'whole', '{id}'), ('customer_tolerance', 'whole', '{id}');
create trigger keep_change after insert or update or delete on customer_site for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on customer_tolerance for each row execute function keep_change('whole', 'id');

-- Bottles come in tables too, a row for each gas in them.
alter table import_batch drop constraint import_batch_kind_check;
alter table import_batch add constraint import_batch_kind_check check (kind in ('customers', 'instruments', 'bottles'));
alter table import_row add column made_reference uuid;
drop function take_import_back(uuid);
create function take_import_back(batch uuid) returns table (instruments int, customers int, bottles int, stayed int)
language plpgsql security definer set search_path = public, pg_temp as $$
declare gone uuid[]; customers_gone uuid[]; bottles_gone uuid[];
begin
  if not exists (select 1 from import_batch where id = batch and state = 'taken') then raise exception 'not taken' using errcode = 'check_violation'; end if;
  select coalesce(array_agg(a.id), '{}') into gone from import_row r join asset a on a.id = r.made_asset where r.batch_id = batch
    and not exists (select 1 from ticket t where t.asset_id = a.id) and not exists (select 1 from run n where n.asset_id = a.id) and not exists (select 1 from asset_use u where u.asset_id = a.id)
    and not exists (select 1 from probe_place p where p.probe_id = a.id or p.host_id = a.id) and not exists (select 1 from interval_policy i where i.asset_id = a.id)
    and not exists (select 1 from reminder m where m.asset_id = a.id) and not exists (select 1 from loan l where l.asset_id = a.id)
    and not exists (select 1 from station_entry e where e.asset_id = a.id) and not exists (select 1 from kept_file f where f.about = 'asset' and f.about_id = a.id);
  delete from asset_channel where asset_id = any(gone);
  delete from asset where id = any(gone);
  select coalesce(array_agg(c.id), '{}') into customers_gone from (select distinct made_customer from import_row where batch_id = batch and made_customer is not null) r join customer c on c.id = r.made_customer
    where not exists (select 1 from asset a where a.customer_id = c.id) and not exists (select 1 from receipt e where e.customer_id = c.id) and not exists (select 1 from ticket t where t.customer_id = c.id)
    and not exists (select 1 from customer_contact k where k.customer_id = c.id) and not exists (select 1 from customer_merge g where g.gone = c.id or g.stays = c.id) and not exists (select 1 from mail m where m.customer_id = c.id)
    and not exists (select 1 from interval_policy i where i.customer_id = c.id) and not exists (select 1 from loan l where l.customer_id = c.id) and not exists (select 1 from customer_tolerance o where o.customer_id = c.id);
  delete from customer_site where customer_id = any(customers_gone);
  delete from customer where id = any(customers_gone);
  -- A bottle that nobody accepted was in no run that counts.
  select coalesce(array_agg(f.id), '{}') into bottles_gone from (select distinct made_reference from import_row where batch_id = batch and made_reference is not null) r join reference f on f.id = r.made_reference
    where f.accepted is null and not exists (select 1 from reference_booking b where b.reference_id = f.id) and not exists (select 1 from reference_check k where k.reference_id = f.id)
    and not exists (select 1 from kept_file x where x.about_id = f.id);
  delete from reference_total where reference_id = any(bottles_gone);
  delete from reference where id = any(bottles_gone);
  instruments := cardinality(gone); customers := cardinality(customers_gone); bottles := cardinality(bottles_gone);
  stayed := (select count(*) from import_row where batch_id = batch and made_asset is not null) - instruments + (select count(distinct made_reference) from import_row where batch_id = batch and made_reference is not null) - bottles;
  return next;
end $$;
revoke all on function take_import_back(uuid) from public;
grant execute on function take_import_back(uuid) to werkbank_app;

-- Pictures of models.
alter table kept_file drop constraint kept_file_about_check;
alter table kept_file add constraint kept_file_about_check check (about in ('asset', 'ticket', 'reference', 'customer', 'model'));
