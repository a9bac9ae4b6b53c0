-- What an instrument's card reads of its runs' events, and nothing of everybody else's: adjustments and new sensors, and what tells a T90.
create index run_event_changed on run_event (run_id) where type in ('adjusted', 'partReplaced');
drop index run_event_part;
create index run_event_timed on run_event (run_id) where type = 'partReplaced' or (type = 'readingCaptured' and data -> 'capture' ? 't90Seconds') or (type = 'bumped' and data::text like '%"t90Seconds"%');
