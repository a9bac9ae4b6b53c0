-- That this installation was tried before it was worked with, version by version (ISO/IEC 17025:2017, 7.11.2). What was written stays; a wrong one is withdrawn with a reason.
create table installation_check (
  id uuid primary key default gen_random_uuid(), software text not null, tried text not null, result text not null, checked_by text not null, checked_on date not null, noted_by text not null, noted_at timestamptz(3) not null,
  withdrawn_why text, withdrawn_by text, withdrawn_at timestamptz(3)
);
grant select, insert on installation_check to werkbank_app;
grant update (withdrawn_why, withdrawn_by, withdrawn_at) on installation_check to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('installation_check', 'whole', '{id}');
create trigger keep_change after insert or update or delete on installation_check for each row execute function keep_change('whole', 'id');
