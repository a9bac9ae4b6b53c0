-- Whoever may act at the window hands in the log of their own docking station: its bumps are theirs.
alter table window_request drop constraint window_request_kind_check;
alter table window_request add constraint window_request_kind_check check (kind in ('book', 'changeBooking', 'cancelBooking', 'bump', 'stationLog', 'fault', 'gone'));
