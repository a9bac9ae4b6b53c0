-- What was entered wrongly of a bottle or a piece of equipment is corrected, and that it was stays on record beside its checks.
alter table reference_check drop constraint reference_check_what_check;
alter table reference_check add constraint reference_check_what_check check (what in ('pressure', 'check', 'state', 'made', 'opened', 'accepted', 'corrected'));
-- A sensor of an instrument has a warranty of its own.
alter table asset_channel add column warranty_until date;
-- A person's name or address that was misspelt.
create function correct_person(person text, person_name text, mail text, at timestamptz) returns void
language sql security definer set search_path = public, pg_temp as $$ update "user" set name = person_name, email = mail, updated_at = at where id = person $$;
revoke all on function correct_person(text, text, text, timestamptz) from public;
grant execute on function correct_person(text, text, text, timestamptz) to werkbank_app;
