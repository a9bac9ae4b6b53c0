import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Actor } from '@/core/record/event';
import type { ScriptedRun } from '@/core/run/scripted';
import type { Transaction } from '@/data/connection';
import { runPhoto } from '@/data/schema';

const SHEET = readFileSync(join(import.meta.dirname, 'paper-sheet.jpg'));
const HASH = createHash('sha256').update(SHEET).digest('hex');

/** The power was out that day: what follows in the run stands on the sheet. */
export function takenOnPaper(run: ScriptedRun, by: Actor): void {
  run.do({ type: 'takePaper', day: run.now.toISOString().slice(0, 10), by: by.name, photos: [HASH] });
  // Two sheets lay side by side: what belonged to the other one is struck, and stays readable.
  run.do({ type: 'note', text: 'Horn sounds hoarse' });
  run.do({ type: 'strike', seq: run.state.seq, reason: 'stands on the sheet of the instrument beside it' });
}

export async function keepSheet(tx: Transaction, { run, by, at }: { run: string; by: string; at: Date }): Promise<void> {
  await tx.insert(runPhoto).values({ runId: run, hash: HASH, mime: 'image/jpeg', bytes: SHEET, takenBy: by, keptAt: at });
}
