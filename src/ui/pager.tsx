import { Link } from '@/ui/link';

/** On to the next page of a list that is paged by key; the address carries it, so that it can be shared. */
export function Pager({
  base,
  query,
  next,
  param,
}: {
  base: string;
  query: Record<string, string | undefined>;
  next: string | null;
  param: string;
}) {
  const href = (value: string | null) =>
    `${base}?${new URLSearchParams(Object.entries({ ...query, [param]: value ?? undefined }).flatMap(([key, text]) => (text ? [[key, text]] : [])))}`;
  if (!next && !query[param]) return null;
  return (
    <nav className="d-flex gap-2 mt-2" aria-label="Pages">
      {query[param] && (
        <Link className="btn btn-plain" href={href(null)}>
          First page
        </Link>
      )}
      {next && (
        <Link className="btn btn-plain" href={href(next)}>
          Next page
        </Link>
      )}
    </nav>
  );
}
