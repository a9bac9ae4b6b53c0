-- Tables that people have are taken in: staged row by row, judged, taken in one act, and taken back as one while nothing rests on them.
create table import_batch (
  id uuid primary key, kind text not null check (kind in ('customers', 'instruments')), file_name text not null, columns text[] not null, mapping jsonb not null default '{}', decisions jsonb not null default '{}',
  state text not null default 'filling' check (state in ('filling', 'staged', 'judged', 'taken', 'takenBack', 'dropped')), rows int not null default 0,
  by text not null, at timestamptz(3) not null, taken_by text, taken_at timestamptz(3), taken_back_by text, taken_back_at timestamptz(3)
);
create index import_batch_at on import_batch (at desc);
create table import_row (
  batch_id uuid not null references import_batch (id), line int not null, cells jsonb not null, given jsonb, problems jsonb not null default '[]', verdict text check (verdict in ('new', 'there', 'ask', 'bad')),
  customer_id uuid, model_id uuid, made_customer uuid, made_asset uuid, primary key (batch_id, line)
);
create index import_row_verdict on import_row (batch_id, verdict, line);
grant select, insert, update on import_batch to werkbank_app;
grant select, insert, update, delete on import_row to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('import_batch', 'whole', '{id}');
create trigger keep_change after insert or update or delete on import_batch for each row execute function keep_change('whole', 'id');

-- The one way by which what was made is unmade: what this batch made, while nothing else rests on it. What something rests on stays, and is counted.
create function take_import_back(batch uuid) returns table (instruments int, customers int, stayed int)
language plpgsql security definer set search_path = public, pg_temp as $$
declare gone uuid[]; customers_gone uuid[];
begin
  if not exists (select 1 from import_batch where id = batch and state = 'taken') then raise exception 'not taken' using errcode = 'check_violation'; end if;
  select coalesce(array_agg(a.id), '{}') into gone from import_row r join asset a on a.id = r.made_asset where r.batch_id = batch
    and not exists (select 1 from ticket t where t.asset_id = a.id) and not exists (select 1 from run n where n.asset_id = a.id) and not exists (select 1 from asset_use u where u.asset_id = a.id)
    and not exists (select 1 from probe_place p where p.probe_id = a.id or p.host_id = a.id) and not exists (select 1 from interval_policy i where i.asset_id = a.id)
    and not exists (select 1 from reminder m where m.asset_id = a.id);
  delete from asset_channel where asset_id = any(gone);
  delete from asset where id = any(gone);
  select coalesce(array_agg(c.id), '{}') into customers_gone from (select distinct made_customer from import_row where batch_id = batch and made_customer is not null) r join customer c on c.id = r.made_customer
    where not exists (select 1 from asset a where a.customer_id = c.id) and not exists (select 1 from receipt e where e.customer_id = c.id) and not exists (select 1 from ticket t where t.customer_id = c.id)
    and not exists (select 1 from customer_contact k where k.customer_id = c.id) and not exists (select 1 from customer_merge g where g.gone = c.id or g.stays = c.id) and not exists (select 1 from mail m where m.customer_id = c.id)
    and not exists (select 1 from interval_policy i where i.customer_id = c.id);
  delete from customer where id = any(customers_gone);
  instruments := cardinality(gone); customers := cardinality(customers_gone);
  stayed := (select count(*) from import_row where batch_id = batch and made_asset is not null) - instruments;
  return next;
end $$;
revoke all on function take_import_back(uuid) from public;
grant execute on function take_import_back(uuid) to werkbank_app;
