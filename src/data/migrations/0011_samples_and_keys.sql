-- What an instrument is used for, told once at receipt: it proposes buffers and standards.
alter table asset add column samples jsonb;
-- How a step goes on this model: written from the step by whoever knows, every version kept.
create table model_key (
  id uuid primary key default gen_random_uuid(),
  model_id uuid not null references instrument_model (id),
  procedure_id text not null,
  step text not null check (step <> ''),
  version integer not null check (version > 0),
  text text not null check (length(text) <= 400),
  secret text not null default '' check (length(secret) <= 80),
  written_by text not null,
  written_at timestamptz(3) not null,
  unique (model_id, procedure_id, step, version)
);
create index model_key_model on model_key (model_id, procedure_id);
grant select, insert on model_key to werkbank_app;
