-- What the sensors of a model do over time, made anew each night from what is on record: a model's instruments advise each other.
create table model_history (
  model_id uuid primary key references instrument_model (id), made_at timestamptz(3) not null, within int not null, visits int not null, drift jsonb not null default '{}', lives jsonb not null default '{}', fails jsonb not null default '[]'
);
-- What is advised for each instrument, made anew each night; the reason stands with the policy once somebody took it over.
create table interval_advice (
  asset_id uuid primary key references asset (id), made_at timestamptz(3) not null, way text not null check (way in ('drift', 'reliability', 'staircase', 'none')),
  code text not null check (code in ('extend', 'keep', 'shorten', 'tooFast', 'tooFew')), outside double precision, advice jsonb not null
);
create index interval_advice_order on interval_advice (code, outside desc nulls last, asset_id);
grant select, insert, update, delete on model_history, interval_advice to werkbank_app;
-- Which runs fitted a new sensor: a new series of that channel.
create index run_event_part on run_event (run_id) where type = 'partReplaced';
alter table house_check drop constraint house_check_kind_check;
alter table house_check add constraint house_check_kind_check check (kind in ('verify', 'anchor', 'backup', 'restore', 'disk', 'reminders', 'lots', 'returns', 'advice'));
