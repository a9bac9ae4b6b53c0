-- An auditor reads everything and changes nothing.
alter table "user" drop constraint user_role_check, add constraint user_role_check check (role in ('counter', 'technician', 'signatory', 'administrator', 'auditor'));

-- A password that somebody else gave: good once, until then; whoever came in with it sets one of their own before anything else.
alter table "user" add column password_once_until timestamptz(3);

-- A link to a new password, sent by mail: what stands here opens nothing. Good once, for a short time; a newer one makes those before void.
create table password_link (
  digest text primary key, user_id text not null references "user" (id), made_at timestamptz(3) not null, until timestamptz(3) not null, used_at timestamptz(3)
);
create index password_link_user on password_link (user_id, made_at);
grant select, insert, update, delete on password_link to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('password_link', 'digest', '{digest}');
create trigger keep_change after insert or update or delete on password_link for each row execute function keep_change('digest', 'digest');

create or replace function set_person_password(person text, password_hash text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  update account set password = password_hash, updated_at = at where user_id = person and provider_id = 'credential';
  update "user" set password_once_until = null, updated_at = at where id = person and password_once_until is not null;
$$;
create function give_password_once(person text, password_hash text, good_until timestamptz, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  update account set password = password_hash, updated_at = at where user_id = person and provider_id = 'credential';
  update "user" set password_once_until = good_until, updated_at = at where id = person;
$$;
-- Whoever came in with it came in: it opens nothing any more.
create function spend_password_once(person text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$
  update account set password = null, updated_at = at where user_id = person and provider_id = 'credential' and exists (select 1 from "user" where id = person and password_once_until is not null);
$$;
revoke all on function give_password_once(text, text, timestamptz, timestamptz), spend_password_once(text, timestamptz) from public;
grant execute on function give_password_once(text, text, timestamptz, timestamptz), spend_password_once(text, timestamptz) to werkbank_app;

-- Who did what, asked by what was done and by whom.
create index audit_action on audit (action, id desc);
create index audit_actor on audit ((actor->>'id'), id desc);
