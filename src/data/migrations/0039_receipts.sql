-- Who brought a delivery and what was noted of it can be corrected; when it came, and by whom it was taken in, not.
grant update (contact, note) on receipt to werkbank_app;
create index ticket_receipt on ticket (receipt_id);

-- Photos and papers are found by their names; those that were taken away are not.
create index kept_file_name on kept_file using gin (lower(name) gin_trgm_ops) where taken_away_at is null;
