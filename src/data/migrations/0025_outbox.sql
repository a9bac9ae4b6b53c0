-- The outbox is emptied by one job that takes what waits, oldest first and one a mailbox, and looks at what is under way.
drop index mail_waiting;
create index mail_waiting on mail (created_at, id) where state = 'queued';
create index mail_under_way on mail (lower(recipient)) where state = 'sending';
