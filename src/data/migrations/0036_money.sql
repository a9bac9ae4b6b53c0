-- Prices, the positions of a job, and offers that wait for the customer's word. Amounts are decimal, in the currency of the workshop at that time.
create table price (
  id uuid primary key default gen_random_uuid(), what text not null check (what in ('service', 'part', 'other')), service text, name text not null, part_number text not null default '',
  amount numeric(12, 2) not null check (amount >= 0), version integer not null default 1, ended_at timestamptz(3), ended_why text not null default '',
  check ((what = 'service') = (service is not null))
);
-- One price a service: two would be two answers.
create unique index price_of_service on price (service) where ended_at is null;
create unique index price_name on price (lower(name), part_number) where ended_at is null;
create table offer (
  id uuid primary key default gen_random_uuid(), ticket_id uuid not null references ticket (id), number text not null unique, finding text not null, positions jsonb not null, currency text not null,
  total numeric(12, 2) not null check (total >= 0), made_by text not null, made_at timestamptz(3) not null,
  answer text check (answer in ('accepted', 'declined', 'withdrawn')), answered_by text, answered_how text not null default '', noted_by text, answered_at timestamptz(3)
);
-- One offer at a time waits for an answer.
create unique index offer_waits on offer (ticket_id) where answer is null;
create table job_position (
  id uuid primary key default gen_random_uuid(), ticket_id uuid not null references ticket (id), what text not null check (what in ('service', 'part', 'other')), name text not null, part_number text not null default '',
  quantity numeric(9, 2) not null check (quantity > 0), each numeric(12, 2) not null check (each >= 0), currency text not null, offer_id uuid references offer (id),
  noted_by text not null, noted_at timestamptz(3) not null, struck_why text, struck_by text, struck_at timestamptz(3),
  -- The order in which lines were noted.
  ord bigint generated always as identity
);
create index job_position_ticket on job_position (ticket_id);
create index offer_ticket on offer (ticket_id);
-- The field in the bar looks for the number of a hand-back as for any other.
create index ticket_ended_in_capitals on ticket (upper(ended_number));
create index ticket_back on ticket (returned_at desc) where returned_at is not null;
grant select, insert on price, offer, job_position to werkbank_app;
grant update (what, service, name, part_number, amount, version, ended_at, ended_why) on price to werkbank_app;
grant update (answer, answered_by, answered_how, noted_by, answered_at) on offer to werkbank_app;
grant update (struck_why, struck_by, struck_at) on job_position to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('price', 'whole', '{id}'), ('offer', 'whole', '{id}'), ('job_position', 'whole', '{id}');
create trigger keep_change after insert or update or delete on price for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on offer for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on job_position for each row execute function keep_change('whole', 'id');
