-- A customer without a mail address is reminded by a letter: it waits to be printed. A mail that was refused may become one.
alter table mail drop constraint mail_state_check;
alter table mail add constraint mail_state_check check (state in ('queued', 'sending', 'sent', 'uncertain', 'refused', 'toPrint', 'printed'));
create index mail_to_do on mail (state, created_at) where state in ('toPrint', 'refused');
