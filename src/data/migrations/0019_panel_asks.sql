-- What a hand does at a simulated instrument is asked of the gateway: the web process opens no socket to a device.
create table panel_ask (
  id uuid primary key, line_id uuid not null references device_line (id) on delete cascade, ask jsonb not null, asked_at timestamptz(3) not null,
  answer jsonb, problem text, answered_at timestamptz(3)
);
create index panel_ask_by_line on panel_ask (line_id);
grant select, insert, update, delete on panel_ask to werkbank_app;
