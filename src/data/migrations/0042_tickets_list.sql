-- The list of tickets: by arrival, by promise; and what is typed of a code, in capitals as people type it.
create index ticket_received_order on ticket (created_at, code, id);
create index ticket_promise_order on ticket ((coalesce(promise_on, 'infinity'::date)), id);
create index ticket_code_begins on ticket (upper(code) text_pattern_ops);
create index ticket_customer_order on ticket (customer_id, created_at, id);
