-- An instrument stands in the house once, however many counters receive it at the same moment.
do $$
declare twice text;
begin
  select string_agg(distinct code, ', ') into twice from ticket t
  where status <> 'returned' and exists (select 1 from ticket o where o.asset_id = t.asset_id and o.status <> 'returned' and o.id <> t.id);
  if twice is not null then
    raise exception 'Some instruments stand in the house twice: tickets %. Hand one of each back, then upgrade again.', twice;
  end if;
end $$;
create unique index ticket_in_house on ticket (asset_id) where status <> 'returned';
