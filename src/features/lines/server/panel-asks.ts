import { and, eq, isNull, lt } from 'drizzle-orm';
import type { Database } from '@/data/connection';
import { deviceLine, panelAsk } from '@/data/schema';
import { allowedAddress, deviceNetworks } from '@/instruments/allowed-network';
import { onChange, tellChange } from '@/platform/change-stream';
import { log } from '@/platform/log';
import { talkToPanel } from './talk-to-panel';

const KEPT_MS = 60_000;

/** The gateway's side of the panels: answers what is asked while this gateway holds the lines. Gives back the way to stop. */
export function answerPanels(db: Database, holds: () => boolean): () => void {
  return onChange((channel, payload) => {
    if (channel === 'panel_ask' && holds())
      void answer(db, payload).catch((error) => log.warn({ error: String(error) }, 'panel not answered'));
  });
}

async function answer(db: Database, id: string): Promise<void> {
  const [row] = await db
    .select({ ask: panelAsk.ask, host: deviceLine.host, port: deviceLine.panelPort })
    .from(panelAsk)
    .innerJoin(deviceLine, eq(deviceLine.id, panelAsk.lineId))
    .where(and(eq(panelAsk.id, id), isNull(panelAsk.answeredAt)));
  if (!row?.port) return;
  const port = row.port;
  const said = await allowedAddress(row.host, deviceNetworks())
    .then((host) => talkToPanel(host, port, { type: 'world', ...row.ask }))
    .then(
      (value) => ({ answer: value, problem: null }),
      (error: Error) => ({ answer: null, problem: error.message }),
    );
  await db
    .update(panelAsk)
    .set({ ...said, answeredAt: new Date() })
    .where(eq(panelAsk.id, id));
  await tellChange(db, 'panel_answer', id);
}

export async function forgetPanelAsks(db: Database): Promise<void> {
  await db.delete(panelAsk).where(lt(panelAsk.askedAt, new Date(Date.now() - KEPT_MS)));
}
