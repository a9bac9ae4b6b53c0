-- What a customer is asked by mail and answers by a link: offers, tolerances, the decision rule, alarm points, the due date on paper, a notice that was read. The sentence is kept as it was asked, the answer as it was given; neither changes.
create table customer_question (
  id uuid primary key default gen_random_uuid(), customer_id uuid not null references customer (id), about text not null check (about in ('offer', 'tolerance', 'rule', 'alarms', 'due', 'notice')), subject_id uuid,
  asked text not null check (asked <> ''), language text not null check (language in ('en', 'de')), digest text not null unique, mail_id uuid references mail (id), asked_at timestamptz(3) not null, asked_by text not null, until timestamptz(3) not null,
  withdrawn_at timestamptz(3), withdrawn_by text, answer text check (answer in ('yes', 'no')), answered_by text, remark text not null default '', answered_at timestamptz(3), done_at timestamptz(3), problem text,
  check ((withdrawn_at is null) = (withdrawn_by is null)), check ((answer is null) = (answered_at is null) and (answer is null) = (answered_by is null)), check (withdrawn_at is null or answer is null)
);
create index customer_question_of on customer_question (customer_id, asked_at desc);
create index customer_question_about on customer_question (subject_id) where subject_id is not null;
grant select, insert, update (mail_id, withdrawn_at, withdrawn_by, done_at, problem) on customer_question to werkbank_app;
insert into change_kept (table_name, manner, key_columns) values ('customer_question', 'digest', '{id}');
create trigger keep_change after insert or update or delete on customer_question for each row execute function keep_change('digest', 'id');

-- What a link asks; whoever has it is the customer. The public listener reads no table.
create function public_question(secret text) returns table (workshop text, zone text, customer text, about text, asked text, language text, until timestamptz, state text, answer text, answered_by text, answered_at timestamptz)
language sql stable security definer set search_path = public, pg_temp as $$
  select s.value->>'name', coalesce(s.value->>'zone', 'UTC'), k.name, q.about, q.asked, q.language, q.until,
    case when q.answer is not null then 'answered' when q.withdrawn_at is not null then 'withdrawn' when q.until <= now() then 'late' else 'open' end, q.answer, q.answered_by, q.answered_at
  from customer_question q join customer k on k.id = q.customer_id left join setting s on s.key = 'workshop'
  where q.digest = encode(sha256(convert_to(secret, 'UTF8')), 'hex')
$$;
-- The first answer counts: of two who press at once one finds it answered.
create function answer_question(secret text, said text, who text, why text) returns boolean
language plpgsql security definer set search_path = public, pg_temp as $$
declare made uuid;
begin
  if said not in ('yes', 'no') or length(trim(who)) not between 2 and 120 or length(why) > 2000 then return false; end if;
  perform set_config('werkbank.actor', jsonb_build_object('id', 'customer', 'name', trim(who) || ', by a link', 'role', 'public')::text, true), set_config('werkbank.door', 'answer', true);
  update customer_question set answer = said, answered_by = trim(who), remark = trim(why), answered_at = now()
  where digest = encode(sha256(convert_to(secret, 'UTF8')), 'hex') and answer is null and withdrawn_at is null and until > now() returning id into made;
  if made is null then return false; end if;
  perform enqueue_job('customerAnswer', json_build_object('questionId', made), 'answer-' || made, 'answers', -10, 5, null);
  return true;
end $$;
revoke all on function public_question(text), answer_question(text, text, text, text) from public;
grant execute on function public_question(text), answer_question(text, text, text, text) to werkbank_public, werkbank_app;

-- Who wishes it is reminded of a bump test that is due: after so many days from the last one.
alter table customer add column bump_every_days int check (bump_every_days between 1 and 366);

-- What came back is read from a mailbox.
create or replace function enqueue_job(task text, payload json, key text, queue text, priority int, attempts int, at timestamptz) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if task not in ('mail', 'drawDocument', 'drawSheet', 'walkProcedure', 'nightly', 'backup', 'reminders', 'judgeAnew', 'windowLink', 'windowRequest', 'customerAnswer', 'returns') then
    raise exception 'there is no such job: %', task using errcode = 'check_violation';
  end if;
  perform graphile_worker.add_job(task, payload, queue_name := queue, run_at := at, max_attempts := attempts, job_key := key, priority := priority);
end $$;
alter table reminder drop constraint reminder_stage_check;
alter table reminder add constraint reminder_stage_check check (stage in ('ahead', 'at', 'after', 'bump'));
