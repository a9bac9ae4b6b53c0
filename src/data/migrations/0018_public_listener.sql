-- The public listener has a role of its own that reads no table: it asks whether a code is known, one code at a time, and gets what the check page says of it.
grant usage on schema public to werkbank_public;

create function public_document(asked text)
returns table (number text, revision int, kind text, title text, issued text, hash text, pdf_hash text, newest_revision int, withdrawn_by text)
language sql stable security definer set search_path = public, pg_temp as $$
  select c.number, c.revision, c.kind, c.content->>'title', c.content->'dates'->>'issued', c.hash, p.hash, n.revision, w.number
  from certificate c
  left join certificate_pdf p on p.certificate_id = c.id
  left join certificate n on n.replaces = c.id
  left join certificate w on w.withdraws = c.id
  where c.token = asked
$$;

create function public_workshop() returns text
language sql stable security definer set search_path = public, pg_temp as $$
  select coalesce((select value->>'name' from setting where key = 'workshop'), 'Workshop')
$$;

create function public_migrations() returns int
language sql stable security definer set search_path = public, pg_temp as $$ select count(*)::int from schema_migration $$;

revoke all on function public_document(text), public_workshop(), public_migrations() from public;
grant execute on function public_document(text), public_workshop(), public_migrations() to werkbank_public, werkbank_app;

-- Where a try of a password came from: one network that tries many addresses waits as well.
alter table sign_in_failure add column network text not null default '';
create index sign_in_failure_network on sign_in_failure (network, at);
