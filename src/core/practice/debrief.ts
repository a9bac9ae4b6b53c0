import type { Fact } from '../words/say';
import type { Attempt, Done } from './attempt';
import type { Finding } from './finding';
import '@/core/words/en/practice-debrief';

/** One thing that was done, as it is said. */
export interface DebriefLine {
  seconds: number;
  what: Fact;
  /** Why the sheet refused it. */
  refused?: string;
  /** Which findings it is, by their number. */
  findings: number[];
}

/** A step with what was done at it, and what a master did at the same. */
export interface DebriefRow {
  place: number;
  step: string;
  title: string;
  own: DebriefLine[];
  master: DebriefLine[];
}

/**
 * What was done, step by step in the order in which it was, beside what a master did there; steps that only the master came to stand where they would have been.
 * Errors: none.
 *
 * @example
 * debrief(attempt, score)[3] // { title: 'Open gas', own: [{ seconds: 41, … }], master: [{ seconds: 22, … }] }
 */
export function debrief(attempt: Attempt, { findings, master }: { findings: readonly Finding[]; master: Attempt }): DebriefRow[] {
  const own = rowsOf(attempt, findings);
  const other = rowsOf(master, []);
  const rows: DebriefRow[] = [];
  const taken = new Set<string>();
  const key = (row: { place: number; step: string }) => `${row.place}/${row.step}`;
  for (const row of own) {
    rows.push({ ...row, own: row.lines, master: other.find((one) => key(one) === key(row))?.lines ?? [] });
    taken.add(key(row));
  }
  let after = -1;
  for (const row of other) {
    const at = rows.findIndex((one) => key(one) === key(row));
    if (at >= 0) after = Math.max(after, at);
    else {
      rows.splice(after + 1, 0, { ...row, own: [], master: row.lines });
      after += 1;
    }
  }
  return rows.map(({ place, step, title, own: mine, master: best }) => ({ place, step, title, own: mine, master: best }));
}

interface Row {
  place: number;
  step: string;
  title: string;
  lines: DebriefLine[];
}

function rowsOf({ done, places }: Attempt, findings: readonly Finding[]): Row[] {
  const rows = new Map<string, Row>();
  done.forEach((one, index) => {
    const { place, at } = one.act;
    const step = one.step ?? 'end';
    const key = `${place}/${step}`;
    const row: Row = rows.get(key) ?? { place, step, title: one.title, lines: [] };
    const labels = Object.fromEntries(
      places.find((each) => each.of.place === place)!.run.state.channels.map((each) => [each.id, each.label]),
    );
    row.lines.push({
      seconds: Math.round(at / 1000),
      what: saidOf(one, labels),
      ...(one.refusal ? { refused: one.refusal.sentence } : {}),
      findings: findings.flatMap((each, number) => (each.done === index ? [number] : [])),
    });
    rows.set(key, row);
  });
  return [...rows.values()];
}

/** What was done, as a fact. */
function saidOf({ act, seen, mended, notices }: Done, labels: Record<string, string>): Fact {
  switch (act.do) {
    case 'press': {
      const failed = notices?.some((one) => one.notice.endsWith('Failed'));
      const heard = failed ? 'refused' : notices?.length ? 'taken' : 'silent';
      return { code: `practice.did.press.${heard}`, numbers: { key: act.key } };
    }
    case 'look':
      return { code: seen ? 'practice.did.found' : 'practice.did.looked', numbers: { look: act.look, fault: seen ?? '' } };
    case 'mend':
      return { code: mended ? 'practice.did.mended' : 'practice.did.mendedNothing', numbers: { remedy: act.remedy } };
    case 'diagnose':
      return { code: 'practice.did.diagnose', numbers: { fault: act.fault, channel: labels[act.channel ?? ''] ?? '' } };
    case 'heed':
      return { code: 'practice.did.heed', numbers: { choice: act.choice } };
    case 'command':
      return saidOfCommand(act.command, labels);
  }
}

function saidOfCommand(command: Extract<Done['act'], { do: 'command' }>['command'], labels: Record<string, string>): Fact {
  switch (command.type) {
    case 'captureReading':
      return {
        code: 'practice.did.read',
        numbers: { channel: labels[command.channel] ?? '', text: command.text || (command.status ?? '') },
      };
    case 'captureReadings':
      return { code: 'practice.did.readMany', numbers: { texts: command.readings.map((one) => one.text).join(', ') } };
    case 'bindReference':
      return { code: 'practice.did.bind', numbers: { lot: command.reference.replace(/:/g, '-') } };
    case 'changeStimulus':
      return { code: command.on ? 'practice.did.open' : 'practice.did.shut' };
    case 'adjust':
      return {
        code: command.outcome === 'failed' ? 'practice.did.adjustFailed' : 'practice.did.adjusted',
        numbers: { channels: command.channels.map((one) => labels[one] ?? one).join(', ') },
      };
    case 'save':
      return { code: command.lost ? 'practice.did.saveLost' : 'practice.did.saved' };
    case 'decide':
      return { code: 'practice.did.decide', numbers: { option: command.option } };
    case 'setChannel':
      return { code: 'practice.did.setChannel', numbers: { channel: labels[command.channel] ?? '', reason: command.reason } };
    case 'completeStep':
      return command.deviation
        ? { code: 'practice.did.early', numbers: { reason: command.deviation } }
        : { code: 'practice.did.done' };
    case 'enterStep':
      return { code: 'practice.did.enter' };
    case 'skipStep':
      return { code: 'practice.did.skip', numbers: { reason: command.reason } };
    case 'finish':
      return { code: 'practice.did.finish' };
    case 'abort':
      return { code: 'practice.did.abort', numbers: { reason: command.reason } };
    default:
      return { code: 'practice.did.done' };
  }
}
