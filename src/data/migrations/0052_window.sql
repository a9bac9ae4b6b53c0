-- The customer's window: who signs in by a mailed link sees what is theirs, and nothing else, by row-level security under a role of its own (made with the cluster). That role writes nothing but what it asks of the house.
alter table customer_contact drop constraint customer_contact_purposes_check;
alter table customer_contact add constraint customer_contact_purposes_check check (purposes <@ array['certificates', 'reminders', 'calls', 'window', 'windowActs']);

create table window_link (digest text primary key, contact_id uuid not null references customer_contact (id) on delete cascade, made_at timestamptz(3) not null, until timestamptz(3) not null, used_at timestamptz(3));
create index window_link_contact on window_link (contact_id, made_at);
create table window_session (digest text primary key, contact_id uuid not null references customer_contact (id) on delete cascade, made_at timestamptz(3) not null, until timestamptz(3) not null, ended_at timestamptz(3));
create index window_session_contact on window_session (contact_id);
-- What somebody at the window asks of the house. A job does it, or says why not; the counter sees what was reported.
create table window_request (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), contact_id uuid references customer_contact (id) on delete set null, by_name text not null,
  kind text not null check (kind in ('book', 'changeBooking', 'cancelBooking', 'bump', 'fault', 'gone')), what jsonb not null, asset_id uuid references asset (id),
  state text not null default 'waiting' check (state in ('waiting', 'done', 'refused')), answer jsonb, made_at timestamptz(3) not null, done_at timestamptz(3), seen_at timestamptz(3), seen_by text
);
create index window_request_customer on window_request (customer_id, made_at);
create index window_request_unseen on window_request (made_at) where state = 'done' and kind in ('fault', 'gone') and seen_at is null;
create index window_request_asset on window_request (asset_id, made_at) where asset_id is not null;
-- A bump that the customer did.
create table customer_bump (
  id bigint generated always as identity primary key, asset_id uuid not null references asset (id), customer_id uuid not null references customer (id), at timestamptz(3) not null, by_name text not null, passed boolean not null,
  outputs text[] not null default '{}', note text not null default ''
);
create index customer_bump_asset on customer_bump (asset_id, at desc);
grant select, insert, delete, update (used_at) on window_link to werkbank_app;
grant select, delete, update (ended_at) on window_session to werkbank_app;
grant select, update (state, answer, done_at, seen_at, seen_by) on window_request to werkbank_app;
grant select, insert on customer_bump to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values
  ('window_link', 'digest', '{digest}'), ('window_session', 'digest', '{digest}'), ('window_request', 'digest', '{id}'), ('customer_bump', 'whole', '{id}');
create trigger keep_change after insert or update or delete on window_link for each row execute function keep_change('digest', 'digest');
create trigger keep_change after insert or update or delete on window_session for each row execute function keep_change('digest', 'digest');
create trigger keep_change after insert or update or delete on window_request for each row execute function keep_change('digest', 'id');
create trigger keep_change after insert or update or delete on customer_bump for each row execute function keep_change('whole', 'id');

create function as_window(door text) returns void language sql as $$
  select set_config('werkbank.actor', '{"id": "window", "name": "the customer''s window", "role": "public"}', true), set_config('werkbank.door', door, true);
$$;
-- Whose window it is: by the session's own secret, which the role can't read anywhere. A contact that was taken away, or may no longer, is nobody; so is one of a customer that was ended.
create function window_who() returns table (contact_id uuid, contact text, customer_id uuid, customer text, acts boolean)
language sql stable security definer set search_path = public, pg_temp as $$
  select c.id, c.name, k.id, k.name, 'windowActs' = any(c.purposes)
  from window_session s join customer_contact c on c.id = s.contact_id join customer k on k.id = c.customer_id
  where s.digest = encode(sha256(convert_to(coalesce(current_setting('werkbank.window', true), ''), 'UTF8')), 'hex') and s.ended_at is null and s.until > now()
    and c.purposes && array['window', 'windowActs'] and k.retired_at is null
$$;
create function window_customer() returns uuid language sql stable security definer set search_path = public, pg_temp as $$ select w.customer_id from window_who() w $$;
-- Asks for a link. Whether the address is known is never said; the job looks.
create function window_ask(mail text) returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if length(mail) > 160 then return; end if;
  perform enqueue_job('windowLink', json_build_object('email', lower(mail)), 'window-link-' || encode(sha256(convert_to(lower(mail), 'UTF8')), 'hex'), 'window-link', 0, 3, null);
end $$;
-- A link opens once, and within its time.
create function window_enter(link text, session text) returns text language plpgsql security definer set search_path = public, pg_temp as $$
declare who uuid; named text;
begin
  if length(session) < 32 then return null; end if;
  perform as_window('window-enter');
  update window_link set used_at = now() where digest = encode(sha256(convert_to(link, 'UTF8')), 'hex') and used_at is null and until > now() returning contact_id into who;
  if who is null then return null; end if;
  select k.name into named from customer_contact c join customer k on k.id = c.customer_id where c.id = who and c.purposes && array['window', 'windowActs'] and k.retired_at is null;
  if named is null then return null; end if;
  insert into window_session (digest, contact_id, made_at, until) values (encode(sha256(convert_to(session, 'UTF8')), 'hex'), who, now(), now() + interval '12 hours');
  return named;
end $$;
create function window_leave() returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform as_window('window-leave');
  update window_session set ended_at = now() where digest = encode(sha256(convert_to(coalesce(current_setting('werkbank.window', true), ''), 'UTF8')), 'hex') and ended_at is null;
end $$;
-- Asks something of the house, for oneself alone; a few hundred a day at most.
create function window_send(asked text, given jsonb) returns uuid language plpgsql security definer set search_path = public, pg_temp as $$
declare who record; made uuid; about uuid;
begin
  select * into who from window_who();
  if who is null or not who.acts then raise exception 'not at the window' using errcode = 'insufficient_privilege'; end if;
  if (select count(*) from window_request r where r.customer_id = who.customer_id and r.made_at > now() - interval '1 day') >= 500 then raise exception 'too much for one day' using errcode = 'check_violation'; end if;
  select a.id into about from asset a where a.id::text = given->>'assetId' and a.customer_id = who.customer_id;
  perform as_window('window-send');
  insert into window_request (customer_id, contact_id, by_name, kind, what, asset_id, made_at) values (who.customer_id, who.contact_id, who.contact, asked, given, about, now()) returning id into made;
  perform enqueue_job('windowRequest', json_build_object('requestId', made), 'window-' || made, 'window', -10, 3, null);
  return made;
end $$;
create function public_zone() returns text language sql stable security definer set search_path = public, pg_temp as $$ select coalesce((select value->>'zone' from setting where key = 'workshop'), 'UTC') $$;
-- Has a document of theirs drawn that nobody opened yet.
create function window_draw(certificate_id uuid) returns boolean language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if not exists (select from certificate c where c.id = certificate_id and c.customer_id = window_customer()) then return false; end if;
  perform enqueue_job('drawDocument', json_build_object('certificateId', certificate_id), 'draw/' || certificate_id, null, -10, 5, null);
  return true;
end $$;
revoke all on function window_draw(uuid), as_window(text), window_who(), window_customer(), window_ask(text), window_enter(text, text), window_leave(), window_send(text, jsonb), public_zone() from public;
grant execute on function window_ask(text), window_enter(text, text) to werkbank_public, werkbank_app;
grant execute on function window_draw(uuid), window_who(), window_customer(), window_leave(), window_send(text, jsonb), public_zone(), public_workshop() to werkbank_window, werkbank_public, werkbank_app;

grant usage on schema public to werkbank_window;
grant select (id, name, address) on customer to werkbank_window;
grant select (id, customer_id, name, address, ended_at) on customer_site to werkbank_window;
grant select (id, customer_id, model_id, maker, serial, tag, part, next_due, status, site_id, bumped_at, bump_passed) on asset to werkbank_window;
grant select (asset_id, role, label, measurand, unit, status, position) on asset_channel to werkbank_window;
grant select (id, maker, name, kind) on instrument_model to werkbank_window;
grant select (id, number, revision, kind, run_id, asset_id, customer_id, content, hash, signature, key_id, token, issued_at, replaces, withdraws) on certificate to werkbank_window;
grant select (certificate_id, bytes, hash) on certificate_pdf to werkbank_window;
grant select (id, asset_id, customer_id, code, status, promise_on, created_at) on ticket to werkbank_window;
grant select (run_id, asset_id, customer_id, status, as_found, as_left, started_at, practice) on run_summary to werkbank_window;
grant select (run_id, channel, point, asset_id, label, unit, found_deviation, found_limit, found_state, left_state, at) on channel_result to werkbank_window;
grant select (id, customer_id, arrives_on, whole_week, contact, note, state, ended_why, made_by) on booking to werkbank_window;
grant select (booking_id, asset_id, open) on booking_item to werkbank_window;
grant select (id, customer_id, kind, state, answer, asset_id, made_at, what, by_name) on window_request to werkbank_window;
grant select (asset_id, customer_id, at, by_name, passed, outputs, note) on customer_bump to werkbank_window;

do $$
declare name text; seen text;
begin
  for name, seen in values
    ('customer', 'id = window_customer()'), ('customer_site', 'customer_id = window_customer()'), ('asset', 'customer_id = window_customer()'), ('certificate', 'customer_id = window_customer()'),
    ('ticket', 'customer_id = window_customer()'), ('run_summary', 'customer_id = window_customer() and status = ''approved'' and not practice'), ('booking', 'customer_id = window_customer()'),
    ('window_request', 'customer_id = window_customer()'), ('customer_bump', 'customer_id = window_customer()'),
    ('asset_channel', 'exists (select from asset a where a.id = asset_id)'), ('instrument_model', 'exists (select from asset a where a.model_id = instrument_model.id)'),
    ('certificate_pdf', 'exists (select from certificate c where c.id = certificate_id)'), ('channel_result', 'exists (select from run_summary s where s.run_id = channel_result.run_id)'),
    ('booking_item', 'exists (select from booking b where b.id = booking_id)')
  loop
    execute format('alter table %I enable row level security', name);
    execute format('create policy house on %I to werkbank_app using (true) with check (true)', name);
    execute format('create policy own on %I for select to werkbank_window using (%s)', name, seen);
  end loop;
end $$;

create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup', 'reminders', 'judgeAnew', 'windowLink', 'windowRequest') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
