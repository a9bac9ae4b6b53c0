-- Programs that read the house's records: each has a token of its own, shown once, kept as its SHA-256, with what it may read and when it ends.
create table program_token (
  id uuid primary key default gen_random_uuid(), name text not null, digest text not null unique check (digest ~ '^[0-9a-f]{64}$'), scopes text[] not null check (scopes <@ array['instruments', 'due', 'documents'] and cardinality(scopes) > 0),
  made_by text not null, made_at timestamptz(3) not null, good_until date not null, ended_by text, ended_at timestamptz(3)
);
grant select, insert, update on program_token to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('program_token', 'digest', '{id}');
create trigger keep_change after insert or update or delete on program_token for each row execute function keep_change('digest', 'id');
-- When it was last used is no change of it.
create table program_use (token_id uuid primary key references program_token (id), last_at timestamptz(3) not null);
grant select, insert, update on program_use to werkbank_app;

-- What this house was read back from, where it was: passwords and other ways in stayed behind, and nobody took them away.
create table read_back (at timestamptz(3) not null default now(), exported_at timestamptz(3) not null, manifest text not null);
grant select on read_back to werkbank_app;
create index certificate_issue_no on certificate (issue_no);
