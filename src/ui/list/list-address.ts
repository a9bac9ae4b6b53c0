/** A list as its address says it: what is looked for, in which order, what is shown, and where the page begins. */
export interface ListAddress {
  base: string;
  q: string | undefined;
  /** The last row of the page before. */
  after: string | undefined;
  sort: string;
  down: boolean;
  /** Keys of the columns that are shown; null: the usual ones. */
  columns: readonly string[] | null;
  /** Further choices of this list, by the name they have in the address. */
  filters: Record<string, string>;
}

interface Spec {
  /** Orders that the list knows, the usual one first. */
  sorts: readonly [string, ...string[]];
  /** What may be chosen for each filter; anything else in the address counts as nothing. */
  filters?: Record<string, readonly string[]>;
  /** The usual order is last first. */
  down?: boolean;
}

/**
 * Reads a list's address. What it doesn't know it leaves out: an old or mistyped address still shows a list.
 *
 * @example
 * readList('/assets', { sort: 'due', down: 'yes' }, { sorts: ['serial', 'due'] }).sort // 'due'
 */
export function readList(base: string, search: Record<string, string>, { sorts, filters = {}, down = false }: Spec): ListAddress {
  const sort = sorts.find((one) => one === search.sort) ?? sorts[0];
  const usual = sort === sorts[0] && down;
  return {
    base,
    q: search.q?.trim() || undefined,
    after: search.after || undefined,
    sort,
    down: search.down === 'yes' || (search.down !== 'no' && usual),
    columns: search.columns ? search.columns.split('.') : null,
    filters: Object.fromEntries(
      Object.entries(filters).flatMap(([name, allowed]) => (allowed.includes(search[name] ?? '') ? [[name, search[name]!]] : [])),
    ),
  };
}

type Change = Partial<Omit<ListAddress, 'base' | 'filters'>> & { filters?: Record<string, string | undefined> };

/** What of a list's address stands after its question mark. Whatever changes the order or the choice begins at the first page. */
export function queryOf(list: ListAddress, change: Change = {}): Record<string, string> {
  const to = { ...list, after: undefined, ...change, filters: { ...list.filters, ...change.filters } };
  const said: Record<string, string | undefined> = {
    q: to.q,
    ...to.filters,
    sort: to.sort,
    down: to.down ? 'yes' : 'no',
    columns: to.columns?.join('.'),
    after: to.after,
  };
  return Object.fromEntries(Object.entries(said).flatMap(([name, text]) => (text ? [[name, text]] : [])));
}

/** The address of the list with something of it changed. */
export const hrefOf = (list: ListAddress, change: Change = {}): string =>
  `${list.base}?${new URLSearchParams(queryOf(list, change))}`;
