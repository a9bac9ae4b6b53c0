import { STATUSES } from '@/core/results/instrument-status';
import { readList, type ListAddress } from '@/ui/list/list-address';
import { ASSET_SORTS, type AssetAsked, type AssetSort } from './list-assets';

/** The list of instruments as an address says it, and what of it the database is asked. */
export function assetList(search: Record<string, string>): { list: ListAddress; asked: AssetAsked } {
  const list = readList('/assets', search, { sorts: ASSET_SORTS, filters: { status: STATUSES } });
  const status = STATUSES.find((one) => one === list.filters.status);
  return { list, asked: { q: list.q, down: list.down, sort: list.sort as AssetSort, status } };
}
