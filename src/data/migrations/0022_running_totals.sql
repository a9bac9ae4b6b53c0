-- What was drawn of a bottle in all, and since its gauge was last read: kept with each booking, so that nobody sums up years to draw a list.
create table reference_total (reference_id uuid primary key references reference (id), litres numeric not null default 0, since_gauge numeric not null default 0, gauge_at timestamptz(3));
grant select on reference_total to werkbank_app;
create index reference_booking_since on reference_booking (reference_id, at);
create index reference_check_gauge on reference_check (reference_id, at desc, id desc) where what = 'pressure';

-- The first booking of a bottle finds its last gauge reading.
create function book_total() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  update reference_total t
    set litres = t.litres + new.litres, since_gauge = t.since_gauge + case when t.gauge_at is null or new.at > t.gauge_at then new.litres else 0 end
    where t.reference_id = new.reference_id;
  if not found then
    insert into reference_total (reference_id, litres, since_gauge, gauge_at)
    select new.reference_id, new.litres, case when g.at is null or new.at > g.at then new.litres else 0 end, g.at
    from (select max(at) as at from reference_check where reference_id = new.reference_id and what = 'pressure') g
    on conflict (reference_id) do update
      set litres = reference_total.litres + new.litres,
        since_gauge = reference_total.since_gauge + case when reference_total.gauge_at is null or new.at > reference_total.gauge_at then new.litres else 0 end;
  end if;
  return null;
end $$;
create trigger book_total after insert on reference_booking for each row execute function book_total();

create function gauge_total() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into reference_total (reference_id, litres, since_gauge, gauge_at)
  select new.reference_id, coalesce(sum(b.litres), 0), coalesce(sum(b.litres) filter (where b.at > new.at), 0), new.at from reference_booking b where b.reference_id = new.reference_id
  on conflict (reference_id) do update
    set since_gauge = case when reference_total.gauge_at is null or new.at >= reference_total.gauge_at then excluded.since_gauge else reference_total.since_gauge end,
      gauge_at = greatest(reference_total.gauge_at, new.at);
  return null;
end $$;
create trigger gauge_total after insert on reference_check for each row when (new.what = 'pressure') execute function gauge_total();

insert into reference_total (reference_id, litres, since_gauge, gauge_at)
select r.id, coalesce(sum(b.litres), 0), coalesce(sum(b.litres) filter (where g.at is null or b.at > g.at), 0), g.at
from reference r
left join lateral (select max(at) as at from reference_check c where c.reference_id = r.id and c.what = 'pressure') g on true
left join reference_booking b on b.reference_id = r.id
group by r.id, g.at having count(b.id) > 0 or g.at is not null;

-- What comes next at a run stands with its summary: the board replays nothing, and the notice carries it.
alter table run_summary add column next jsonb;

create index ticket_run on ticket (run_id) where run_id is not null;
create index asset_order on asset (serial, id);
create index asset_model on asset (model_id, id);
