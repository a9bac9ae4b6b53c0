-- Lots against which instruments read low together: looked for every night, kept as what the house found.
alter table house_check drop constraint house_check_kind_check;
alter table house_check add constraint house_check_kind_check check (kind in ('verify', 'anchor', 'backup', 'restore', 'disk', 'reminders', 'lots', 'returns'));
