create table signing_key (id text primary key, public_key text not null, created_at timestamptz(3) not null);

create table certificate (
  id uuid primary key, number text not null, year smallint not null, serial integer not null, revision smallint not null default 0, kind text not null check (kind in ('certificate', 'record')),
  run_id uuid not null references run (id), ticket_id uuid references ticket (id), asset_id uuid not null references asset (id), customer_id uuid not null references customer (id),
  content jsonb not null, hash text not null, signature text not null, key_id text not null references signing_key (id), token text not null unique,
  issued_at timestamptz(3) not null, issued_by text not null, replaces uuid references certificate (id),
  unique (year, serial, revision), unique (number, revision), unique (run_id, revision), unique (replaces)
);
create index certificate_asset on certificate (asset_id, issued_at desc);
create index certificate_issued on certificate (issued_at desc, id);

create table certificate_pdf (certificate_id uuid primary key references certificate (id), bytes bytea not null, hash text not null, drawn_at timestamptz(3) not null);

create table mail (
  id uuid primary key, customer_id uuid references customer (id), recipient text not null, subject text not null, body text not null, message_id text not null unique,
  state text not null default 'queued' check (state in ('queued', 'sending', 'sent', 'uncertain', 'refused')), problem text, created_at timestamptz(3) not null, sending_at timestamptz(3), sent_at timestamptz(3)
);
create index mail_newest on mail (created_at desc, id);
create index mail_waiting on mail (created_at) where state in ('queued', 'sending');

create table reminder (
  id bigint generated always as identity primary key, asset_id uuid not null references asset (id), customer_id uuid not null references customer (id), due_on date not null,
  stage text not null check (stage in ('ahead', 'at', 'after')), mail_id uuid not null references mail (id), unique (asset_id, due_on, stage)
);

create table audit (
  id bigint generated always as identity primary key, at timestamptz(3) not null, actor jsonb not null, action text not null, subject text not null default '', detail jsonb not null default '{}',
  previous_hash text not null, hash text not null
);
create index audit_newest on audit (id desc);

-- Nothing of the record is changed or taken away, not even by the owner while the triggers stand; the application's role can't switch them off, since it owns nothing.
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% is a record: nothing in it is changed or taken away', tg_table_name using errcode = 'insufficient_privilege';
end $$;

do $$
declare name text;
begin
  foreach name in array array['run_event', 'run_command', 'procedure_version', 'certificate', 'certificate_pdf', 'reference_booking', 'audit', 'signing_key'] loop
    execute format('create trigger no_change before update or delete on %I for each row execute function refuse_change()', name);
    execute format('create trigger no_truncate before truncate on %I for each statement execute function refuse_change()', name);
  end loop;
end $$;

grant usage on schema public to werkbank_app;
grant select, insert on all tables in schema public to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
grant update on "user", session, account, verification, setting, customer, instrument_model, asset, asset_channel, interval_policy, number_counter, ticket, reference, run_summary, channel_result, mail to werkbank_app;
grant delete on session, verification, sign_in_failure, interval_policy, channel_result to werkbank_app;
