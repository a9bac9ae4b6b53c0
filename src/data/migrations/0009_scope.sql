-- The scope that a workshop may state: ranges with the smallest uncertainty it claims. A line is never changed: it ends, and another begins.
create table scope_entry (
  id bigint generated always as identity primary key,
  measurand text not null, unit text not null,
  lowest numeric not null, highest numeric not null, smallest numeric not null check (smallest > 0),
  form text not null check (form in ('absolute', 'percent')),
  at timestamptz(3) not null, by text not null,
  ended_at timestamptz(3), ended_by text, ended_why text,
  check (lowest <= highest)
);
grant select, insert on scope_entry to werkbank_app;
grant update (ended_at, ended_by, ended_why) on scope_entry to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
