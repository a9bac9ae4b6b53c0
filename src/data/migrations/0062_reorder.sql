-- How a mixture, a buffer or a kit is bought again: by its name, since each lot is another row of the shelf.
create table supply_terms (
  name text primary key check (name <> ''), supplier text not null default '', part_number text not null default '', lead_days int not null check (lead_days between 0 and 730), holds numeric check (holds > 0), price numeric check (price >= 0),
  changed_at timestamptz(3) not null, changed_by text not null
);
grant select, insert, update, delete on supply_terms to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('supply_terms', 'whole', '{name}');
create trigger keep_change after insert or update or delete on supply_terms for each row execute function keep_change('whole', 'name');
