-- What is kept of a person in the change log stands under a key of that person: blanking destroys the key, and every hash still holds. Rows of the log from before this stay as they were written.
create extension if not exists pgcrypto;
create table person_key (
  id uuid primary key default gen_random_uuid(), about text not null check (about in ('customer', 'customer_contact')), row_id text not null, customer_id uuid not null, secret text not null check (length(secret) = 64),
  made_at timestamptz(3) not null, unique (about, row_id)
);
create index person_key_customer on person_key (customer_id);
grant select, delete on person_key to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('person_key', 'digest', '{id}');
create trigger keep_change after insert or update or delete on person_key for each row execute function keep_change('digest', 'id');

-- The digest of a row as the log keeps it: of one with a person in it keyed, so that nobody who guesses the person can try it against the log.
create function kept_digest(about text, row_now jsonb) returns text
language sql stable as $$
  select case when k.secret is null then row_digest(row_now) else encode(hmac(convert_to(row_now::text, 'UTF8'), decode(k.secret, 'hex'), 'sha256'), 'hex') end
  from (select 1) as one left join person_key k on k.about = kept_digest.about and k.row_id = row_now->>'id'
$$;

-- Fields of a person, sealed with a key of theirs; without one they are struck out.
create function seal_person(part jsonb, fields text[], key_id uuid, secret text) returns jsonb
language sql volatile as $$
  select jsonb_object_agg(name, case
    when name = any(fields) and jsonb_typeof(value) = 'string' and value <> '""' then
      case when secret is null then '{"blanked": true}'::jsonb
      else jsonb_build_object('key', key_id, 'sealed', replace(encode(pgp_sym_encrypt(value #>> '{}', secret, 'cipher-algo=aes256, s2k-mode=1'), 'base64'), E'\n', '')) end
    else value end) from jsonb_each(part) as given (name, value)
$$;

-- The same part with what is sealed in it opened; where the key was destroyed, a block stands.
create function unseal(part jsonb) returns jsonb
language sql stable as $$
  select case when part is null or jsonb_typeof(part) <> 'object' then part else coalesce((
    select jsonb_object_agg(name, case
      when jsonb_typeof(value) = 'object' and value ? 'sealed' then
        coalesce((select to_jsonb(pgp_sym_decrypt(decode(value->>'sealed', 'base64'), k.secret)) from person_key k where k.id = (value->>'key')::uuid), '"█"')
      when value = '{"blanked": true}' then '"█"'
      else value end) from jsonb_each(part) as given (name, value)), part) end
$$;

-- As keep_change, for rows with a person in them. Arguments: the fields of the person.
create function keep_person_change() returns trigger
language plpgsql security definer set search_path = public, pg_temp set timezone = 'UTC' set bytea_output = 'hex' set extra_float_digits = 1 as $$
declare
  was jsonb; now_is jsonb; kind text; digest text; who jsonb; door text; at timestamptz(3) := clock_timestamp(); held person_key; row_now jsonb;
  blanking boolean := coalesce(current_setting('werkbank.blanking', true), '') = 'yes';
begin
  if tg_op <> 'INSERT' then was := to_jsonb(old); end if;
  if tg_op <> 'DELETE' then now_is := to_jsonb(new); end if;
  if was = now_is then return null; end if;
  row_now := coalesce(now_is, was);
  if not blanking then
    if exists (select from unnest(tg_argv) as field where coalesce(was->>field, '') <> '' or coalesce(now_is->>field, '') <> '') then
      insert into person_key (about, row_id, customer_id, secret, made_at)
      values (tg_table_name, row_now->>'id', coalesce(row_now->>'customer_id', row_now->>'id')::uuid, encode(gen_random_bytes(32), 'hex'), at) on conflict (about, row_id) do nothing;
    end if;
    update person_key set customer_id = (row_now->>'customer_id')::uuid where about = tg_table_name and row_id = row_now->>'id' and customer_id <> (row_now->>'customer_id')::uuid;
    select * into held from person_key where about = tg_table_name and row_id = row_now->>'id';
  end if;
  kind := case tg_op when 'INSERT' then 'made' when 'UPDATE' then 'changed' else 'taken' end;
  digest := case when now_is is null then '' else kept_digest(tg_table_name, now_is) end;
  who := coalesce(nullif(current_setting('werkbank.actor', true), '')::jsonb, jsonb_build_object('id', session_user, 'name', session_user, 'role', 'program'));
  door := coalesce(current_setting('werkbank.door', true), '');
  if tg_op = 'UPDATE' then
    select coalesce(jsonb_object_agg(k, was->k), '{}'), coalesce(jsonb_object_agg(k, now_is->k), '{}') into was, now_is
    from jsonb_object_keys(now_is) k where was->k is distinct from now_is->k;
  end if;
  was := seal_person(was, tg_argv, held.id, held.secret);
  now_is := seal_person(now_is, tg_argv, held.id, held.secret);
  insert into change_log (at, actor, door, table_name, row_key, kind, before, after, digest, hash)
  values (at, who, door, tg_table_name, row_now->>'id', kind, was, now_is, digest, change_hash(at, who, door, tg_table_name, row_now->>'id', kind, was, now_is, digest));
  return null;
end $$;
drop trigger keep_change on customer;
drop trigger keep_change on customer_contact;
create trigger keep_change after insert or update or delete on customer for each row execute function keep_person_change('contact', 'email', 'phone');
create trigger keep_change after insert or update or delete on customer_contact for each row execute function keep_person_change('name', 'email', 'phone');

-- As before, with the keyed digest where a row has a person in it.
create or replace function state_changed_shapes() returns void
language plpgsql set timezone = 'UTC' set bytea_output = 'hex' set extra_float_digits = 1 as $$
declare one record; shape_now text; who jsonb := jsonb_build_object('id', 'migration', 'name', 'migration', 'role', 'program');
begin
  for one in select * from change_kept loop
    select string_agg(a.attname || ' ' || format_type(a.atttypid, a.atttypmod), ',' order by a.attnum) into shape_now
    from pg_attribute a where a.attrelid = format('public.%I', one.table_name)::regclass and a.attnum > 0 and not a.attisdropped;
    continue when shape_now = one.shape;
    execute format('insert into change_log (at, actor, door, table_name, row_key, kind, before, after, digest, hash)
      select at, %1$L::jsonb, ''migration'', %2$L, key, ''there'', null, null, digest, change_hash(at, %1$L::jsonb, ''migration'', %2$L, key, ''there'', null, null, digest)
      from (select clock_timestamp()::timestamptz(3) as at, row_key(to_jsonb(t), %3$L::text[]) as key, %4$s as digest from %2$I t) given', who, one.table_name, one.key_columns,
      case when one.table_name in ('customer', 'customer_contact') then format('kept_digest(%L, to_jsonb(t))', one.table_name) else 'row_digest(to_jsonb(t))' end);
    update change_kept set shape = shape_now where table_name = one.table_name;
  end loop;
end $$;
revoke all on function state_changed_shapes() from public;
