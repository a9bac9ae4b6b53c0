-- What a model is like: closed traits in place of a list of words.
alter table instrument_model add column traits jsonb not null default '{}';
update instrument_model set traits = jsonb_strip_nulls(jsonb_build_object(
  'pumped', case when properties ? 'pumped' then true end,
  'pumpSwitchable', case when properties ? 'pump-switchable' then true end,
  'spanFixed', case when properties ? 'span-fixed' then true end,
  'detectorPairs', case when properties ? 'detector-pairs' then true end,
  'host', case when properties ? 'host' then true end,
  'analoguePair', case when properties ? 'analogue-pair' then true end,
  'part', case when properties ? 'part:probe' then 'probe' when properties ? 'part:cell' then 'cell' end,
  'stores', case when properties ? 'stores-wet' then 'wet' when properties ? 'stores-dry' then 'dry' when properties ? 'stores-moist' then 'moist' when properties ? 'stores-droplets' then 'droplets' end,
  'drawsLPerMin', (select substr(word, 7) from jsonb_array_elements_text(properties) as word where word like 'draws-%' limit 1),
  'readyDays', (select substr(word, 12)::int from jsonb_array_elements_text(properties) as word where word like 'ready-days-%' limit 1),
  'schools', (select jsonb_object_agg(split_part(word, ':', 1), split_part(word, ':', 2)) from jsonb_array_elements_text(properties) as word where word like '%:%' and word not like 'part:%')));
alter table instrument_model drop column properties;

-- What the customer ordered: a closed list in place of the words of a form.
alter table ticket rename column wish to service;
update ticket set service = case service
  when 'As found only' then 'asFoundOnly'
  when 'Bump only' then 'bumpOnly'
  when 'Bump, calibrate if it fails' then 'bumpThenCalibrate'
  when 'Calibrate, repair if needed' then 'calibrateRepair'
  else 'calibrate' end;
alter table ticket add constraint ticket_service_check check (service in ('calibrate', 'asFoundOnly', 'bumpOnly', 'bumpThenCalibrate', 'calibrateRepair'));
