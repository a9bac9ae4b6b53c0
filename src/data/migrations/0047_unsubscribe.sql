-- No more reminders by one press, from the mail itself (RFC 8058). Who holds the link is the customer; the public listener still reads no table.
alter table customer add column unsubscribe_token text not null unique default encode(gen_random_bytes(18), 'hex');
alter table mail add column unsubscribe text;
create function public_unsubscribe(asked text, press boolean) returns table (name text, wants boolean)
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if press then
    perform set_config('werkbank.actor', '{"id": "customer", "name": "the customer, by the link in a mail", "role": "public"}', true), set_config('werkbank.door', 'unsubscribe', true);
    update customer set wants_reminders = false, version = version + 1 where unsubscribe_token = asked and wants_reminders;
  end if;
  return query select c.name, c.wants_reminders from customer c where c.unsubscribe_token = asked;
end $$;
revoke all on function public_unsubscribe(text, boolean) from public;
grant execute on function public_unsubscribe(text, boolean) to werkbank_public, werkbank_app;
