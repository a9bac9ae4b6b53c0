import type { Procedure } from '../procedure/procedure';
import { findings } from '../run/findings';
import type { RunState } from '../record/state';
import { say, type Language } from '../words/say';
import { notLookedAt } from './outcome';
import { answerText } from './reason';
import '@/core/words/en/remarks';
import '@/core/words/en/not-plain';
import '@/core/words/en/changed';

export type NotPlainKind =
  'finding' | 'late' | 'leftOut' | 'deviation' | 'readBack' | 'setting' | 'part' | 'care' | 'channel' | 'note';

/** Something that a signatory looks at before the results: bad, or only out of the ordinary. */
export interface NotPlain {
  kind: NotPlainKind;
  weight: 'bad' | 'look';
  text: string;
}
/** Told later than this, it stands before the signatory by itself, s. */
const VERY_LATE_SECONDS = 3600;

/**
 * What of a run is not plain, the bad first: answers and bumps with what followed, what was told late, left out, cut short, read back, set, replaced, cared for, noted.
 *
 * @example
 * notPlain(procedure, state)[0] // { kind: 'finding', weight: 'bad', text: 'Horn sounds: fault, dead. Out of service.' }
 */
export function notPlain(procedure: Procedure, state: RunState, language: Language = 'en'): NotPlain[] {
  const label = (id: string) => state.channels.find((one) => one.id === id)?.label ?? id;
  const entry = (kind: NotPlainKind, weight: NotPlain['weight'], text: string): NotPlain => ({ kind, weight, text });
  const all = [
    ...findings(procedure, state).map((one) => {
      const follow = one.followed
        ? say({ code: `followed.${one.followed.follow}`, numbers: { note: one.followed.note ?? '' } }, language)
        : say({ code: 'followed.open' }, language);
      const numbers = { what: one.what, answer: answerText(one.answer, language), note: one.note ? `, ${one.note}` : '', follow };
      return entry('finding', 'bad', say({ code: 'notPlain.finding', numbers }, language));
    }),
    ...notLookedAt(procedure, state).map((title) =>
      entry('leftOut', 'bad', say({ code: 'notPlain.leftOut', numbers: { title } }, language)),
    ),
    ...lateEntries(state, language),
    ...state.saves
      .filter((one) => one.outcome === 'lost')
      .map((one) =>
        entry('readBack', 'bad', say({ code: 'notPlain.lost', numbers: { readBack: one.readBack ?? '—' } }, language)),
      ),
    ...state.channelsSet.map((one) =>
      entry(
        'channel',
        'look',
        say({ code: `notPlain.channel.${one.status}`, numbers: { channel: label(one.channel), reason: one.reason } }, language),
      ),
    ),
    ...state.settings.map(({ setting, before, after, agreedBy }) =>
      entry(
        'setting',
        'look',
        say({ code: 'notPlain.setting', numbers: { setting, before, after, agreedBy: agreedBy ?? '—' } }, language),
      ),
    ),
    ...state.parts.map(({ part, oldSerial, newSerial }) =>
      entry('part', 'look', say({ code: 'remark.replaced', numbers: { part, old: oldSerial ?? '—', new: newSerial } }, language)),
    ),
    ...state.cares.map(({ action }) => entry('care', 'look', say({ code: 'remark.care', numbers: { action } }, language))),
    ...state.saves
      .filter((one) => one.outcome === 'saved' && one.readBack)
      .map((one) =>
        entry('readBack', 'look', say({ code: 'notPlain.readBack', numbers: { readBack: one.readBack! } }, language)),
      ),
    ...state.deviations.map(({ what, reason }) => entry('deviation', 'look', `${what}. ${reason}`)),
    ...state.notes.map(({ text }) => entry('note', 'look', text)),
  ];
  return [...all.filter((one) => one.weight === 'bad'), ...all.filter((one) => one.weight === 'look')];
}

/** Presses that were told late, as one line: how many, and the latest. */
export function lateSentence(state: RunState, language: Language = 'en'): string | null {
  if (state.late.length === 0) return null;
  const most = Math.max(...state.late.map((one) => one.seconds));
  return say(
    { code: 'notPlain.late', numbers: { count: state.late.length, minutes: Math.max(1, Math.round(most / 60)) } },
    language,
  );
}

function lateEntries(state: RunState, language: Language): NotPlain[] {
  const text = lateSentence(state, language);
  const most = Math.max(0, ...state.late.map((one) => one.seconds));
  return text ? [{ kind: 'late', weight: most > VERY_LATE_SECONDS ? 'bad' : 'look', text }] : [];
}
