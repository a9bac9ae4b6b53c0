-- Validity of results (ISO/IEC 17025:2017, 7.7): control charts from our own readings, and comparisons with others. Nothing is rewritten: a wrong value is struck, with why.
create table control_chart (
  id uuid primary key default gen_random_uuid(), name text not null check (name <> ''), kind text not null check (kind in ('checkStandard', 'secondStandard', 'repeat', 'shelfInstrument')),
  unit text not null check (unit <> ''), resolution numeric not null check (resolution >= 0), how text not null default '', reference_id uuid references reference (id), limits_from bigint,
  made_at timestamptz(3) not null, made_by text not null, ended_at timestamptz(3), ended_by text, ended_why text
);
create unique index control_chart_name on control_chart (lower(name)) where ended_at is null;
create index control_chart_reference on control_chart (reference_id) where reference_id is not null;
create table control_point (
  id bigint generated always as identity primary key, chart_id uuid not null references control_chart (id), at timestamptz(3) not null, value numeric not null, text text not null, by text not null, note text not null default '',
  rule text check (rule in ('beyond', 'twoOfThree', 'run', 'creep')), explained text, explained_at timestamptz(3), explained_by text, struck_at timestamptz(3), struck_by text, struck_why text
);
create index control_point_of on control_point (chart_id, id);
create table comparison (
  id uuid primary key default gen_random_uuid(), on_day date not null, with_whom text not null check (with_whom <> ''), what text not null check (what <> ''), unit text not null, value numeric not null, expanded numeric not null check (expanded > 0),
  reference numeric not null, reference_expanded numeric not null check (reference_expanded > 0), note text not null default '', made_at timestamptz(3) not null, made_by text not null, struck_at timestamptz(3), struck_by text, struck_why text
);
create index comparison_order on comparison (on_day desc, id);
grant select, insert on control_chart, control_point, comparison to werkbank_app;
grant update (name, how, reference_id, limits_from, ended_at, ended_by, ended_why) on control_chart to werkbank_app;
grant update (explained, explained_at, explained_by, struck_at, struck_by, struck_why) on control_point to werkbank_app;
grant update (struck_at, struck_by, struck_why) on comparison to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('control_chart', 'whole', '{id}'), ('control_point', 'whole', '{id}'), ('comparison', 'whole', '{id}');
create trigger keep_change after insert or update or delete on control_chart for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on control_point for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on comparison for each row execute function keep_change('whole', 'id');
