-- Instruments in the order of their tags: those without one stand last.
create index asset_by_tag on asset ((tag = ''), tag, id);
