import { statfs } from 'node:fs/promises';
import { database } from '@/data/connection';
import { keepHouseCheck } from '@/platform/house-check';
import { log } from '@/platform/log';

/** Under either of these somebody should make room: a full disk stops the database. */
const LEAST_SHARE = 0.1;
const LEAST_BYTES = 2e9;

let before: boolean | null = null;

/** How much room is left where the house keeps its data; said when it gets short, and when it is well again. */
export async function lookAtDisk(folder = process.env.WERKBANK_HOME ?? '.'): Promise<void> {
  const { bavail, blocks, bsize } = await statfs(folder);
  const [free, all] = [bavail * bsize, blocks * bsize];
  const ok = free >= LEAST_BYTES && free / all >= LEAST_SHARE;
  if (ok === before) return;
  before = ok;
  const said = `${(free / 1e9).toFixed(1)} GB of ${(all / 1e9).toFixed(0)} GB free`;
  await keepHouseCheck(database(), { kind: 'disk', at: new Date(), tookMs: 0, ok, detail: { said, missed: ok ? [] : [said] } });
  if (!ok) log.error({ folder, free, all }, 'the disk is getting full');
}
