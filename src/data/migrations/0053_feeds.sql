-- Calendars that a program of somebody's own reads by a secret address. The secret stands nowhere here, only what it hashes to; it can be ended.
create table calendar_feed (
  id uuid primary key default gen_random_uuid(), kind text not null check (kind in ('workshop', 'technician', 'customer')), customer_id uuid references customer (id), person text, name text not null check (name <> ''),
  digest text not null unique, made_at timestamptz(3) not null, made_by text not null, read_at timestamptz(3), ended_at timestamptz(3), ended_by text,
  check ((kind = 'customer') = (customer_id is not null) and (kind = 'technician') = (person is not null)), check ((ended_at is null) = (ended_by is null))
);
create index calendar_feed_order on calendar_feed (made_at, id);
grant select, insert, update (ended_at, ended_by) on calendar_feed to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('calendar_feed', 'digest', '{id}');
create trigger keep_change after insert or update or delete on calendar_feed for each row execute function keep_change('digest', 'id');

-- What stands in a calendar: what is due, promised and booked. An entry keeps its identity while its day moves; what was called off stands as called off for a while, so that programs that keep entries take it out.
create function feed_events(feed calendar_feed) returns table (uid text, what text, on_day date, days int, facts jsonb, cancelled boolean, changes int, changed timestamptz)
language sql stable security definer set search_path = public, pg_temp as $$
  select 'due-' || a.id, 'due', a.next_due, 1, jsonb_build_object('item', a.maker || ' ' || m.name, 'serial', a.serial, 'customer', k.name), false, coalesce(l.n, 0), coalesce(l.at, a.created_at)
  from asset a join instrument_model m on m.id = a.model_id join customer k on k.id = a.customer_id
  left join lateral (select count(*)::int as n, max(c.at) as at from change_log c where c.table_name = 'asset' and c.row_key = a.id::text) l on true
  where a.status = 'inUse' and a.next_due is not null and k.retired_at is null
    and ((feed.kind = 'customer' and a.customer_id = feed.customer_id) or (feed.kind = 'workshop' and a.next_due between current_date - 30 and current_date + 60))
  union all
  select 'promised-' || t.id, 'promised', t.promise_on, 1, jsonb_build_object('item', a.maker || ' ' || m.name, 'serial', a.serial, 'customer', k.name, 'code', t.code), t.ended = 'cancelled', coalesce(l.n, 0), coalesce(l.at, t.created_at)
  from ticket t join asset a on a.id = t.asset_id join instrument_model m on m.id = a.model_id join customer k on k.id = t.customer_id left join run_summary s on s.run_id = t.run_id
  left join lateral (select count(*)::int as n, max(c.at) as at from change_log c where c.table_name = 'ticket' and c.row_key = t.id::text) l on true
  where t.promise_on is not null and (t.status <> 'returned' or (t.ended = 'cancelled' and t.returned_at > now() - interval '60 days'))
    and (feed.kind = 'workshop' or (feed.kind = 'customer' and t.customer_id = feed.customer_id) or (feed.kind = 'technician' and s.technician = feed.person))
  union all
  select 'booking-' || b.id, 'booked', b.arrives_on, case when b.whole_week then 5 else 1 end,
    jsonb_build_object('customer', k.name, 'note', b.note, 'serials', coalesce((select string_agg(a.serial, ', ' order by a.serial) from booking_item i join asset a on a.id = i.asset_id where i.booking_id = b.id), '')),
    b.state = 'cancelled', b.changes, b.changed_at
  from booking b join customer k on k.id = b.customer_id
  where (b.state <> 'cancelled' or b.ended_at > now() - interval '60 days') and b.arrives_on > current_date - 90 and (feed.kind = 'workshop' or (feed.kind = 'customer' and b.customer_id = feed.customer_id))
$$;
create function public_feed(secret text) returns table (name text, events jsonb) language plpgsql security definer set search_path = public, pg_temp as $$
declare feed calendar_feed;
begin
  select * into feed from calendar_feed f where f.digest = encode(sha256(convert_to(secret, 'UTF8')), 'hex') and f.ended_at is null;
  if feed.id is null then return; end if;
  perform as_window('feed');
  -- On which day it was read last: so that an address that nobody uses is seen.
  update calendar_feed set read_at = date_trunc('day', now()) where id = feed.id and read_at is distinct from date_trunc('day', now());
  return query select feed.name, (select coalesce(jsonb_agg(to_jsonb(e) order by e.on_day, e.uid), '[]') from (select * from feed_events(feed) order by on_day limit 5000) e);
end $$;
-- The customer makes one of their own, at their window.
create function window_feed(secret text) returns boolean language plpgsql security definer set search_path = public, pg_temp as $$
declare who record;
begin
  select * into who from window_who();
  if who.customer_id is null or length(secret) < 32 then return false; end if;
  if (select count(*) from calendar_feed f where f.customer_id = who.customer_id and f.ended_at is null) >= 10 then return false; end if;
  perform as_window('window-feed');
  insert into calendar_feed (kind, customer_id, name, digest, made_at, made_by) values ('customer', who.customer_id, who.customer, encode(sha256(convert_to(secret, 'UTF8')), 'hex'), now(), who.contact);
  return true;
end $$;
revoke all on function feed_events(calendar_feed), public_feed(text), window_feed(text) from public;
grant execute on function public_feed(text) to werkbank_public, werkbank_app;
grant execute on function window_feed(text) to werkbank_window;
