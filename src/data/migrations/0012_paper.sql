-- Photos of work that was written on paper, without the house. The run's events name them by their SHA-256.
create table run_photo (
  run_id uuid not null references run (id),
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  mime text not null check (mime in ('image/jpeg', 'image/png')),
  bytes bytea not null check (octet_length(bytes) between 100 and 8388608),
  taken_by text not null,
  kept_at timestamptz(3) not null,
  primary key (run_id, hash)
);
create trigger no_change before update or delete on run_photo for each row execute function refuse_change();
create trigger no_truncate before truncate on run_photo for each statement execute function refuse_change();
grant select, insert on run_photo to werkbank_app;
