-- The mail with which an offer went out last.
alter table offer add column mail_id uuid references mail (id);
grant update (mail_id) on offer to werkbank_app;
