import type { EventData } from '@/core/record/event';
import type { RecordedReading, RunState, StruckOut } from '@/core/record/state';
import { tryWord } from '@/core/run/try-word';
import { say } from '@/core/words/say';
import { signed } from '@/ui/format';
import type { RunView } from './server/run-view';
import '@/core/words/en/correct';
import '@/core/words/en/remarks';
import '@/core/words/en/changed';

export interface Entry {
  seq: number;
  at: string;
  text: string;
  struck: string | null;
  strikable: boolean;
  /** A reading that stands: it can be corrected where the document was reopened. */
  reading?: RecordedReading;
}
const PHASE = { asFound: 'as found', adjustment: 'while adjusting', check: 'check', asLeft: 'as left' };

/** All that a run has on record, as lines, newest first. */
export function entriesOf(state: RunState, view: RunView): Entry[] {
  const label = (id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;
  const point = (id: string) => view.procedure.points.find((one) => one.id === id)?.label ?? id;
  return [
    ...state.readings.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${label(entry.channel)} ${entry.reading.text} ${entry.reading.unit}, ${point(entry.point)}, ${PHASE[entry.phase]}${entry.judgement.error && entry.counts ? ` (${signed(entry.judgement.error)})` : ''}`,
      struck: entry.flags[0]?.reason ?? null,
      strikable: true,
      reading: entry,
    })),
    ...state.adjustments.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${entry.action} ${entry.channels.map(label).join(', ')}: ${entry.outcome}${entry.iteration > 1 ? `, ${tryWord(entry.iteration)}` : ''}`,
      struck: entry.struck ? 'struck out' : null,
      strikable: true,
    })),
    ...state.bindings.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${entry.reference.name}, lot ${entry.reference.lot}`,
      struck: entry.struck?.reason ?? null,
      strikable: true,
    })),
    ...state.stimuli.flatMap((span): Entry[] => [
      { seq: span.onSeq, at: span.onAt, text: stimulusWord(view, span.slot, span.means, true), struck: null, strikable: false },
      ...(span.offAt
        ? [
            {
              seq: span.offSeq!,
              at: span.offAt,
              text: `gas off${span.litres ? `, ${span.litres} L` : ''}`,
              struck: null,
              strikable: false,
            },
          ]
        : []),
    ]),
    ...state.saves.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `saved on the instrument: ${entry.outcome}`,
      struck: null,
      strikable: false,
    })),
    ...state.deviations.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `deviation: ${entry.what} (${entry.reason})`,
      struck: null,
      strikable: false,
    })),
    ...state.decisions.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `decided${entry.channel ? ` for ${label(entry.channel)}` : ''}: ${entry.option}`,
      struck: null,
      strikable: false,
    })),
    ...state.notes.map((entry) => strikable(entry, noteWord(entry))),
    ...state.bumps.map((entry) =>
      plain(entry, say({ code: `log.bump.${entry.outcome}`, numbers: { reasons: (entry.reasons ?? []).join(' ') } })),
    ),
    ...state.parts.map((entry) => strikable(entry, partWord(entry))),
    ...state.settings.map((entry) => strikable(entry, settingWord(entry))),
    ...state.sheets.map((entry) => strikable(entry, paperWord(entry.photos))),
    ...state.struckOut.map((entry): Entry => ({ ...plain(entry, struckWord(entry)), struck: entry.reason })),
    ...state.channelsSet.map((entry) =>
      plain(
        entry,
        say({ code: `notPlain.channel.${entry.status}`, numbers: { channel: label(entry.channel), reason: entry.reason } }),
      ),
    ),
    ...state.sentBack.map((entry, index): Entry => ({
      seq: 1e6 + index,
      at: entry.at,
      text: `sent back: ${entry.note}`,
      struck: null,
      strikable: false,
    })),
    ...state.reopened.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: say({ code: 'bench.reopenedLine', numbers: { reason: entry.reason } }),
      struck: null,
      strikable: false,
    })),
  ]
    .map((entry) => withLate(entry, state))
    .sort((a, b) => b.at.localeCompare(a.at) || b.seq - a.seq);
}

const plain = ({ seq, at }: { seq: number; at: string }, text: string): Entry => ({
  seq,
  at,
  text,
  struck: null,
  strikable: false,
});

const strikable = (mark: { seq: number; at: string }, text: string): Entry => ({ ...plain(mark, text), strikable: true });

const noteWord = ({ text }: { text: string }) => say({ code: 'log.note', numbers: { text } });
const partWord = ({ part, oldSerial, newSerial }: EventData['partReplaced']) =>
  say({ code: 'remark.replaced', numbers: { part, old: oldSerial ?? '—', new: newSerial } });
const settingWord = ({ setting, before, after, agreedBy }: EventData['settingChanged']) =>
  say({ code: 'notPlain.setting', numbers: { setting, before, after, agreedBy: agreedBy ?? '—' } });
const paperWord = (photos: string[]) => say({ code: 'log.paper', numbers: { count: photos.length } });
function struckWord(entry: StruckOut): string {
  switch (entry.was) {
    case 'note':
      return noteWord(entry);
    case 'part':
      return partWord(entry);
    case 'setting':
      return settingWord(entry);
    case 'paper':
      return paperWord(entry.photos);
  }
}

/** What was told late says so beside itself. */
function withLate(entry: Entry, { late }: RunState): Entry {
  const found = late.find((one) => one.seq === entry.seq);
  const minutes = found && Math.max(1, Math.round(found.seconds / 60));
  return minutes ? { ...entry, text: `${entry.text} ${say({ code: 'log.late', numbers: { minutes } })}` } : entry;
}

function stimulusWord(view: RunView, slot: string, means: string, on: boolean): string {
  const found = view.procedure.slots.find((one) => one.id === slot);
  if (found?.kind === 'gas') return on ? 'gas on' : 'gas off';
  return found?.kind === 'buffer' || found?.kind === 'standard'
    ? on
      ? `into ${found.label}`
      : `out of ${found.label}, rinsed`
    : `${means}: ${on ? 'on' : 'off'}`;
}
