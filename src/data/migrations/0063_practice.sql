-- Practice: exercises of our own, what was worked, and who is authorised for which procedure (ISO/IEC 17025:2017, 6.2). Nothing of practice comes near a run, a document or a booking.
create table practice_exercise (
  id uuid primary key default gen_random_uuid(), title text not null check (title <> ''), procedure_id text not null, procedure_version int not null, content jsonb not null,
  made_at timestamptz(3) not null, made_by text not null, ended_at timestamptz(3), ended_by text, ended_why text
);
create index practice_exercise_order on practice_exercise (made_at desc, id);
create table practice_attempt (
  id uuid primary key default gen_random_uuid(), person text not null references "user" (id), kind text not null check (kind in ('guided', 'findFault', 'busyBench', 'dangerousDay', 'own')), version int not null, seed int not null,
  exercise_id uuid references practice_exercise (id), procedure_id text not null, procedure_version int not null, title text not null, began_at timestamptz(3) not null, ended_at timestamptz(3) not null,
  points int check (points between 0 and 100), seconds numeric not null, master_seconds numeric not null, litres numeric not null, master_litres numeric not null, findings jsonb not null, debrief jsonb not null, hidden jsonb not null
);
create index practice_attempt_person on practice_attempt (person, procedure_id, ended_at desc, id);
create index practice_attempt_order on practice_attempt (ended_at desc, id);
create table run_watched (
  run_id uuid primary key references run (id), watcher text not null references "user" (id), watcher_name text not null, note text not null default '', at timestamptz(3) not null
);
create table competence (
  id uuid primary key default gen_random_uuid(), person text not null references "user" (id), procedure_id text not null, basis text not null check (basis in ('practice', 'watched', 'word')), why text not null check (why <> ''),
  given_on date not null, ends_on date not null check (ends_on >= given_on), given_at timestamptz(3) not null, given_by text not null, ended_at timestamptz(3), ended_on date, ended_by text, ended_why text
);
create index competence_of on competence (procedure_id, person, given_on desc, id);
grant select, insert on practice_exercise, practice_attempt, run_watched, competence to werkbank_app;
grant update (title, ended_at, ended_by, ended_why) on practice_exercise to werkbank_app;
grant update (ends_on, why, ended_at, ended_on, ended_by, ended_why) on competence to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('practice_exercise', 'whole', '{id}'), ('practice_attempt', 'whole', '{id}'), ('run_watched', 'whole', '{run_id}'), ('competence', 'whole', '{id}');
create trigger keep_change after insert or update or delete on practice_exercise for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on practice_attempt for each row execute function keep_change('whole', 'id');
create trigger keep_change after insert or update or delete on run_watched for each row execute function keep_change('whole', 'run_id');
create trigger keep_change after insert or update or delete on competence for each row execute function keep_change('whole', 'id');
create trigger no_change before update or delete on practice_attempt for each row execute function refuse_change();
create trigger no_truncate before truncate on practice_attempt for each statement execute function refuse_change();
create trigger no_change before update or delete on run_watched for each row execute function refuse_change();
create trigger no_truncate before truncate on run_watched for each statement execute function refuse_change();
