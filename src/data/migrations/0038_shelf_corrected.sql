-- What was entered wrongly of a bottle or a piece of equipment is corrected, and that it was stays on record beside its checks.
alter table reference_check drop constraint reference_check_what_check;
alter table reference_check add constraint reference_check_what_check check (what in ('pressure', 'check', 'state', 'made', 'opened', 'accepted', 'corrected'));
