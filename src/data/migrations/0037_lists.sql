-- Instruments in the orders that their list knows: one step into an index each, however many there are.
create index asset_by_due on asset ((coalesce(next_due, 'infinity'::date)), id);
create index asset_model_order on asset (model_id, serial, id);
drop index asset_model;
create index certificate_by_number on certificate (number, revision, id);
create index certificate_customer on certificate (customer_id, issued_at, id);
-- Newest first is this one read backwards, with the id that tells two of one instant apart in the same direction.
drop index certificate_issued;
create index certificate_issued_order on certificate (issued_at, id);
