-- Every change of what is not a chain itself is kept, from what to what, by whom: written by the database, so that no use case can forget it, and nobody but the owner's function writes here.
-- What a row looked like last must be what it looks like now: a change behind the triggers' back is found by name.
create table change_log (
  id bigint generated always as identity primary key, at timestamptz(3) not null, actor jsonb not null, door text not null, table_name text not null, row_key text not null,
  kind text not null check (kind in ('there', 'made', 'changed', 'taken')), before jsonb, after jsonb, digest text not null, hash text not null
);
create index change_log_row on change_log (table_name, row_key, id desc);
create trigger no_change before update or delete on change_log for each row execute function refuse_change();
create trigger no_truncate before truncate on change_log for each statement execute function refuse_change();
grant select on change_log to werkbank_app;

-- A row as text that is the same everywhere: set to UTC, and all settings that change how values print.
create function row_digest(row_now jsonb) returns text
language sql immutable parallel safe as $$ select encode(sha256(convert_to(row_now::text, 'UTF8')), 'hex') $$;

create function row_key(row_now jsonb, columns text[]) returns text
language sql immutable parallel safe as $$ select string_agg(row_now->>one, '/' order by place) from unnest(columns) with ordinality as given (one, place) $$;

create function change_hash(at timestamptz, actor jsonb, door text, table_name text, row_key text, kind text, before jsonb, after jsonb, digest text) returns text
language sql stable set timezone = 'UTC' as $$
  select encode(sha256(convert_to(jsonb_build_array(at, actor, door, table_name, row_key, kind, before, after, digest)::text, 'UTF8')), 'hex')
$$;

-- Arguments: 'whole' keeps the rows, 'digest' only that they are what they were (large or private rows); then the columns of the key.
create function keep_change() returns trigger
language plpgsql security definer set search_path = public, pg_temp set timezone = 'UTC' set bytea_output = 'hex' set extra_float_digits = 1 as $$
declare
  was jsonb; now_is jsonb; kind text; key text; digest text; who jsonb; door text; at timestamptz(3) := clock_timestamp();
begin
  if tg_op <> 'INSERT' then was := to_jsonb(old); end if;
  if tg_op <> 'DELETE' then now_is := to_jsonb(new); end if;
  if was = now_is then return null; end if;
  kind := case tg_op when 'INSERT' then 'made' when 'UPDATE' then 'changed' else 'taken' end;
  key := row_key(coalesce(now_is, was), tg_argv[1:]);
  digest := case when now_is is null then '' else row_digest(now_is) end;
  who := coalesce(nullif(current_setting('werkbank.actor', true), '')::jsonb, jsonb_build_object('id', session_user, 'name', session_user, 'role', 'program'));
  door := coalesce(current_setting('werkbank.door', true), '');
  -- A password is nobody's to read, not even as a hash in a log: that it changed is seen by the digest.
  if tg_argv[0] = 'digest' then was := null; now_is := null; end if;
  was := was - 'password'; now_is := now_is - 'password';
  -- Of a changed row only what changed is kept.
  if tg_op = 'UPDATE' and was is not null then
    select coalesce(jsonb_object_agg(k, was->k), '{}'), coalesce(jsonb_object_agg(k, now_is->k), '{}') into was, now_is
    from jsonb_object_keys(now_is) k where was->k is distinct from now_is->k;
  end if;
  insert into change_log (at, actor, door, table_name, row_key, kind, before, after, digest, hash)
  values (at, who, door, tg_table_name, key, kind, was, now_is, digest, change_hash(at, who, door, tg_table_name, key, kind, was, now_is, digest));
  return null;
end $$;

-- Which tables, how, and by which key. Read by the verification as well.
create table change_kept (table_name text primary key, manner text not null check (manner in ('whole', 'digest')), key_columns text[] not null, shape text not null default '');
insert into change_kept (table_name, manner, key_columns) values
  ('user', 'whole', '{id}'), ('account', 'whole', '{id}'), ('setting', 'whole', '{key}'), ('customer', 'whole', '{id}'), ('instrument_model', 'whole', '{id}'), ('asset', 'whole', '{id}'),
  ('asset_channel', 'whole', '{id}'), ('interval_policy', 'whole', '{id}'), ('receipt', 'whole', '{id}'), ('ticket', 'whole', '{id}'), ('reference', 'whole', '{id}'),
  ('reference_check', 'whole', '{id}'), ('standing_value', 'whole', '{id}'), ('repeat_study', 'whole', '{id}'), ('scope_entry', 'whole', '{id}'), ('model_key', 'whole', '{id}'), ('asset_use', 'whole', '{asset_id,read_on}'),
  ('probe_place', 'whole', '{id}'), ('station_record', 'whole', '{entry_id}'), ('reminder', 'whole', '{id}'), ('run', 'whole', '{id}'),
  ('station_entry', 'digest', '{id}'), ('customer_notice', 'digest', '{id}'), ('mail', 'digest', '{id}'), ('procedure_version', 'digest', '{id,version}'), ('signing_key', 'digest', '{id}'),
  ('certificate', 'digest', '{id}'), ('certificate_pdf', 'digest', '{certificate_id}'), ('run_trace', 'digest', '{id}'), ('run_photo', 'digest', '{run_id,hash}'), ('house_check', 'digest', '{id}');
grant select on change_kept to werkbank_app;

do $$
declare one record;
begin
  for one in select * from change_kept loop
    execute format('create trigger keep_change after insert or update or delete on %I for each row execute function keep_change(%s)', one.table_name,
      (select string_agg(quote_literal(part), ', ') from unnest(array[one.manner] || one.key_columns) part));
  end loop;
end $$;

-- Rows of a table whose columns changed print differently from then on: they are stated anew, as what was there. Called by the migration after it ran, and by nobody else.
create function state_changed_shapes() returns void
language plpgsql set timezone = 'UTC' set bytea_output = 'hex' set extra_float_digits = 1 as $$
declare one record; shape_now text; who jsonb := jsonb_build_object('id', 'migration', 'name', 'migration', 'role', 'program');
begin
  for one in select * from change_kept loop
    select string_agg(a.attname || ' ' || format_type(a.atttypid, a.atttypmod), ',' order by a.attnum) into shape_now
    from pg_attribute a where a.attrelid = format('public.%I', one.table_name)::regclass and a.attnum > 0 and not a.attisdropped;
    continue when shape_now = one.shape;
    execute format('insert into change_log (at, actor, door, table_name, row_key, kind, before, after, digest, hash)
      select at, %1$L::jsonb, ''migration'', %2$L, key, ''there'', null, null, digest, change_hash(at, %1$L::jsonb, ''migration'', %2$L, key, ''there'', null, null, digest)
      from (select clock_timestamp()::timestamptz(3) as at, row_key(to_jsonb(t), %3$L::text[]) as key, row_digest(to_jsonb(t)) as digest from %2$I t) given', who, one.table_name, one.key_columns);
    update change_kept set shape = shape_now where table_name = one.table_name;
  end loop;
end $$;
revoke all on function state_changed_shapes() from public;

-- The order in which events came, over all runs: what the anchor counts by.
alter table run_event add column ord bigint generated always as identity;
create unique index run_event_ord on run_event (ord);

-- Chains take only what continues them.
create function continue_run() returns trigger language plpgsql as $$
begin
  if exists (
    select from added n left join run_event p on p.run_id = n.run_id and p.seq = n.seq - 1
    where (n.seq = 1 and n.previous_hash <> repeat('0', 64)) or n.seq < 1 or (n.seq > 1 and (p.hash is null or p.hash <> n.previous_hash))
  ) then
    raise exception 'an event does not follow the one before it' using errcode = 'integrity_constraint_violation';
  end if;
  return null;
end $$;
create trigger continue_run after insert on run_event referencing new table as added for each statement execute function continue_run();

create function continue_audit() returns trigger language plpgsql as $$
begin
  if new.previous_hash is distinct from coalesce((select hash from audit where id < new.id order by id desc limit 1), repeat('0', 64)) then
    raise exception 'an audit entry does not follow the one before it' using errcode = 'integrity_constraint_violation';
  end if;
  return null;
end $$;
create trigger continue_audit after insert on audit for each row execute function continue_audit();

create function continue_documents() returns trigger language plpgsql as $$
declare before text;
begin
  select hash into before from certificate where issue_no = new.issue_no - 1;
  if (new.issue_no > 1 and before is null) or (new.content ? 'previous' and (new.content->'previous'->>'hash') is distinct from before) then
    raise exception 'a document does not follow the one issued before it' using errcode = 'integrity_constraint_violation';
  end if;
  return null;
end $$;
create trigger continue_documents after insert on certificate for each row execute function continue_documents();

-- Keys are put there by whoever installs the house, never by the application; people and their passwords change by these functions alone, which the log above follows.
revoke insert, update, delete on signing_key from werkbank_app;
revoke insert, update, delete on "user", account from werkbank_app;

create function add_person(person text, person_name text, mail text, person_role text, account_key text, password_hash text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  insert into "user" (id, name, email, email_verified, role, created_at, updated_at) values (person, person_name, mail, true, person_role, at, at);
  insert into account (id, account_id, provider_id, user_id, password, created_at, updated_at) values (account_key, person, 'credential', person, password_hash, at, at);
$$;
create function set_person_active(person text, lets_in boolean, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  update "user" set active = lets_in, updated_at = at where id = person;
  delete from session where user_id = person and not lets_in;
$$;
create function set_person_role(person text, person_role text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$ update "user" set role = person_role, updated_at = at where id = person $$;
create function set_person_password(person text, password_hash text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  update account set password = password_hash, updated_at = at where user_id = person and provider_id = 'credential';
$$;
revoke all on function add_person(text, text, text, text, text, text, timestamptz), set_person_active(text, boolean, timestamptz), set_person_role(text, text, timestamptz), set_person_password(text, text, timestamptz) from public;
grant execute on function add_person(text, text, text, text, text, text, timestamptz), set_person_active(text, boolean, timestamptz), set_person_role(text, text, timestamptz), set_person_password(text, text, timestamptz) to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
