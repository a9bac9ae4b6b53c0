-- Failed sign-ins count by where they come from: '' is anywhere, else a browser in which this person signed in before.
alter table sign_in_failure add column device text not null default '';
drop index sign_in_failure_recent;
create index sign_in_failure_recent on sign_in_failure (email, device, at);
create index sign_in_failure_old on sign_in_failure (at);
