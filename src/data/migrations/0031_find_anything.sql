-- What people type is found by means of the database's own: the whole or the beginning of a code by these, a part of it and what is misspelt by trigrams.
create index asset_serial_begins on asset (upper(serial) text_pattern_ops);
create index asset_tag_begins on asset (upper(tag) text_pattern_ops) where tag <> '';
create index mail_text on mail using gin (lower(recipient || ' ' || subject) gin_trgm_ops);
create index ticket_ended_number on ticket (upper(ended_number)) where ended_number is not null;
create index instrument_model_text on instrument_model using gin (lower(maker || ' ' || name || ' ' || kind) gin_trgm_ops);
