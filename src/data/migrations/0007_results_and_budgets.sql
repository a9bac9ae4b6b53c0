-- References: who issued the certificate, and the check before the first use. What was in use before this was asked for is taken over as such.
alter table reference add column issuer text;
alter table reference add column accepted jsonb;
update reference set accepted = jsonb_build_object('on', to_char(created_at, 'YYYY-MM-DD'), 'by', 'taken over', 'note', 'in use before checks of new references were kept');

alter table reference_check drop constraint if exists reference_check_what_check;
alter table reference_check add constraint reference_check_what_check check (what in ('pressure', 'check', 'state', 'made', 'opened', 'accepted'));

-- Thermometers and hygrometers on a line.
alter table device_line drop constraint device_line_kind_check;
alter table device_line add constraint device_line_kind_check check (kind in ('instrument', 'tagReader', 'barometer', 'flowMeter', 'thermometer', 'hygrometer'));

-- As found and as left each with their own reference, limits and uncertainty; numbers as numbers.
alter table channel_result rename column found_error to found_deviation;
alter table channel_result rename column left_error to left_deviation;
alter table channel_result rename column target to left_reference;
alter table channel_result alter column found_deviation type numeric using found_deviation::numeric;
alter table channel_result alter column left_deviation type numeric using left_deviation::numeric;
alter table channel_result alter column left_reference type numeric using left_reference::numeric;
alter table channel_result alter column left_expanded type numeric using left_expanded::numeric;
alter table channel_result add column found_reference numeric, add column found_limit numeric, add column found_expanded numeric, add column found_k numeric, add column left_limit numeric, add column left_k numeric;
alter table channel_result add column measurand text not null default '';

-- Documents: their kinds, the order in which they were issued, and what takes one back.
alter table certificate drop constraint certificate_kind_check;
alter table certificate add constraint certificate_kind_check check (kind in ('certificate', 'record', 'calibration', 'asFound', 'zeroAdjustment', 'accuracyCheck', 'bump', 'limited', 'imported', 'notCalibrated', 'withdrawal'));
alter table certificate add column issue_no bigint;
alter table certificate add column series text not null default 'C';
alter table certificate add column withdraws uuid references certificate (id);
alter table certificate disable trigger no_change;
update certificate set issue_no = ordered.n from (select id, row_number() over (order by issued_at, serial, revision, id) as n from certificate) ordered where ordered.id = certificate.id;
alter table certificate enable trigger no_change;
alter table certificate alter column issue_no set not null;
alter table certificate add unique (issue_no);
alter table certificate add unique (withdraws);
alter table certificate drop constraint certificate_year_serial_revision_key;
alter table certificate add unique (series, year, serial, revision);
alter table certificate drop constraint certificate_run_id_revision_key;
create unique index certificate_run_revision on certificate (run_id, revision) where withdraws is null;

-- Standing values of budgets: each change is a row of its own, the newest counts.
create table standing_value (
  id bigint generated always as identity primary key, standing text not null, measurand text not null, procedure text, point text, value numeric not null check (value >= 0), form text not null check (form in ('percent', 'steps', 'absolute')),
  unit text, source jsonb not null, ended boolean not null default false, at timestamptz(3) not null, by text not null
);
create index standing_value_newest on standing_value (standing, measurand, procedure, point, id desc);

-- Repeat studies: readings of one point, kept as they were taken.
create table repeat_study (
  id uuid primary key, procedure text not null, point text not null, measurand text not null, unit text not null, instrument text not null, series jsonb not null, pooled_s numeric not null, dof integer not null, n integer not null,
  studied_on date not null, note text not null default '', withdrawn text, at timestamptz(3) not null, by text not null
);

create trigger no_change before update or delete on standing_value for each row execute function refuse_change();
create trigger no_truncate before truncate on standing_value for each statement execute function refuse_change();
grant select, insert on standing_value, repeat_study to werkbank_app;
grant update (withdrawn) on repeat_study to werkbank_app;
grant usage on all sequences in schema public to werkbank_app;
