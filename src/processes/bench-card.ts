import { Pool } from 'pg';
import { closeDatabase } from '@/data/connection';
import { assetOutlook } from '@/features/advice/server';
import { assetCard } from '@/features/assets/server';
import { modelNames } from '@/features/counter/server';
import { filesOf } from '@/features/files/server';
import { loansOf } from '@/features/stock/server';
import { readSettings } from '@/platform/settings';
import { fillHistories } from './filled-histories';
import { inTurn, verdict } from './in-turn';
import { Statements } from './measured-lists';
import { cookieOf, get, hangUp } from './signed-get';

/** npm run bench -- card: the card of an instrument with two hundred visits over HTTP with a session, beside a bare page and the card's own statements, prepared. */
const VISITS = 200;
const OVER_SQL = 1.5;
/** Enough that the middle one is of a house that runs warm. */
const LOOKS = 150;

const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
await fillHistories(superuser, 0, 1, VISITS, 30);
const { rows } = await superuser.query<{ id: string }>(`select id from asset where serial = 'HIS-1'`);
const id = rows[0]!.id;
const cookie = await cookieOf(superuser, 'signatory');
const statements = new Statements();
const sql = await statements.prepare([
  async (tx) => {
    const { asset } = (await assetCard(tx, id))!;
    await assetOutlook(tx, asset, await readSettings(tx));
    await loansOf(tx, id);
    await filesOf(tx, 'asset', id);
    await modelNames(tx);
  },
]);
const [card, bare, own] = await inTurn(
  LOOKS,
  () => get(cookie, `/assets/${id}`),
  () => get(cookie, '/assets/nothing', 404),
  sql,
);
const ratio = card! / (bare! + own!);
console.log(
  `card with ${VISITS} visits: ${card!.toFixed(1)} ms; a bare page ${bare!.toFixed(1)} and its statements ${own!.toFixed(1)}: ${verdict(ratio, OVER_SQL)}`,
);
await Promise.all([superuser.end(), statements.close()]);
await closeDatabase();
hangUp();
process.exitCode = ratio <= OVER_SQL ? 0 : 1;
