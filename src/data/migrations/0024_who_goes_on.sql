-- Second factor: one-time codes and recovery codes (encrypted by the sign-in library with the house's secret), passkeys. PIN and badge unlock a bench computer at which somebody signed in that day.
alter table "user" add column two_factor_enabled boolean not null default false;
create table two_factor (
  id text primary key, secret text not null, backup_codes text not null, user_id text not null unique references "user" (id), verified boolean not null default true,
  failed_verification_count integer not null default 0, locked_until timestamptz(3)
);
create table passkey (
  id text primary key, user_id text not null references "user" (id), name text not null, public_key text not null, counter bigint not null, transports text[] not null default '{}', made_at timestamptz(3) not null, used_at timestamptz(3)
);
create index passkey_user on passkey (user_id);
create table unlock_secret (user_id text primary key references "user" (id), pin_hash text, badge_digest text unique, made_at timestamptz(3) not null);
-- Who signed in with all that is asked at this computer, and until when a PIN or badge is enough there.
create table computer_person (computer text not null, user_id text not null references "user" (id), until timestamptz(3) not null, primary key (computer, user_id));
create table spent_code (user_id text not null references "user" (id), digest text not null, at timestamptz(3) not null, primary key (user_id, digest));
create index verification_identifier on verification (identifier);

-- signed_in_at: when all that is asked was last asked. seen_at: when a hand was last at this computer. locked_at: locked until somebody says who goes on.
alter table session add column signed_in_at timestamptz(3) not null default now(), add column seen_at timestamptz(3) not null default now(), add column locked_at timestamptz(3);

grant select, insert, update, delete on two_factor, passkey, unlock_secret, computer_person, spent_code to werkbank_app;

insert into change_kept (table_name, manner, key_columns) values ('two_factor', 'digest', '{id}'), ('passkey', 'digest', '{id}'), ('unlock_secret', 'digest', '{user_id}');
create trigger keep_change after insert or update or delete on two_factor for each row execute function keep_change('digest', 'id');
create trigger keep_change after insert or update or delete on passkey for each row execute function keep_change('digest', 'id');
create trigger keep_change after insert or update or delete on unlock_secret for each row execute function keep_change('digest', 'user_id');

-- The flag that the door reads is changed by this alone, and the change log says whose it is.
create function set_second_factor(person text, is_on boolean) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if coalesce(current_setting('werkbank.actor', true), '') = '' then
    perform set_config('werkbank.actor', (select jsonb_build_object('id', id, 'name', name, 'role', role)::text from "user" where id = person), true);
  end if;
  update "user" set two_factor_enabled = is_on, updated_at = now() where id = person;
end $$;
revoke all on function set_second_factor(text, boolean) from public;
grant execute on function set_second_factor(text, boolean) to werkbank_app;
