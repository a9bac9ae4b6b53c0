-- Evaluations of suppliers of gases, liquids and equipment (ISO/IEC 17025:2017, 6.6): the newest of each holds, none is changed.
create table supplier_review (
  id uuid primary key default gen_random_uuid(), supplier text not null check (supplier <> ''), verdict text not null check (verdict in ('approved', 'watched', 'barred')), why text not null check (why <> ''), review_by date,
  made_at timestamptz(3) not null, made_by text not null
);
create index supplier_review_of on supplier_review (lower(supplier), made_at desc, id);
grant select, insert on supplier_review to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('supplier_review', 'whole', '{id}');
create trigger keep_change after insert or update or delete on supplier_review for each row execute function keep_change('whole', 'id');
create trigger no_change before update or delete on supplier_review for each row execute function refuse_change();
create trigger no_truncate before truncate on supplier_review for each statement execute function refuse_change();
