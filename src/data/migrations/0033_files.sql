-- Photos and papers beside what they belong to: an instrument, a visit, a bottle, a customer. Known by their first bytes and their SHA-256; what is taken away is seen no more, and stays for who audits.
create table kept_file (
  id uuid primary key default gen_random_uuid(), about text not null check (about in ('asset', 'ticket', 'reference', 'customer')), about_id uuid not null, name text not null, mime text not null check (mime in ('image/jpeg', 'image/png', 'application/pdf')),
  hash text not null check (hash ~ '^[0-9a-f]{64}$'), bytes bytea not null check (octet_length(bytes) between 100 and 12582912), kept_by text not null, kept_at timestamptz(3) not null,
  taken_away_why text, taken_away_by text, taken_away_at timestamptz(3)
);
create unique index kept_file_once on kept_file (about, about_id, hash) where taken_away_at is null;
-- The bytes stay as they came; what a file is called, and whether it is seen, people say.
create function file_stays() returns trigger language plpgsql as $$
begin
  if (old.id, old.about, old.about_id, old.mime, old.hash, old.kept_by, old.kept_at) is distinct from (new.id, new.about, new.about_id, new.mime, new.hash, new.kept_by, new.kept_at) or old.bytes <> new.bytes then
    raise exception 'a kept file is never changed' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
create trigger file_stays before update on kept_file for each row execute function file_stays();
grant select, insert on kept_file to werkbank_app;
grant update (name, taken_away_why, taken_away_by, taken_away_at) on kept_file to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('kept_file', 'digest', '{id}');
create trigger keep_change after insert or update or delete on kept_file for each row execute function keep_change('digest', 'id');
