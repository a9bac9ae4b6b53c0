-- A ticket that ends without a calibration: cancelled before anything was done, or the instrument handed back as it is, with a paper of a series of its own.
alter table ticket add column ended text check (ended in ('cancelled', 'uncalibrated')), add column ended_why text not null default '', add column ended_by text not null default '', add column ended_number text unique,
  add constraint ticket_ended check (ended is null or (status = 'returned' and ended_why <> '' and (ended = 'uncalibrated') = (ended_number is not null)));
