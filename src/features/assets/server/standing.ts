import type { Transaction } from '@/data/connection';
import { dayIn, dayTime } from '@/ui/format';
import type { Standing } from '../status-panel';
import type { assetCard } from './asset-card';
import { wayBack } from './return-to-use';

/** Why an instrument is not in use and what brings it back; null for one that is in use. */
export async function standingOf(
  tx: Transaction,
  { asset }: NonNullable<Awaited<ReturnType<typeof assetCard>>>,
  zone: string,
): Promise<Standing | null> {
  if (asset.status === 'inUse') return null;
  const { document, open } = await wayBack(tx, asset.id);
  return {
    assetId: asset.id,
    status: asset.status,
    since: asset.statusSince ? dayTime(asset.statusSince, zone) : '—',
    why: asset.statusWhy,
    by: asset.statusBy,
    document: document && { id: document.id, number: document.number, on: dayIn(document.issuedAt, zone) },
    open,
  };
}
