import type { Procedure } from '@/core/procedure/procedure';
import type { RunState } from '@/core/record/state';
import type { Language } from '@/core/words/say';
import { IN_GERMAN, QUANTITIES_IN_GERMAN } from './in-german';

/** A text of a shipped procedure in a language; one that a workshop wrote itself stays as it wrote it. */
export const textIn = (text: string, language: Language): string =>
  language === 'de' ? (IN_GERMAN[text] ?? QUANTITIES_IN_GERMAN[text] ?? text) : text;

const WORDED = new Set(['title', 'method', 'label']);

/**
 * A procedure and a run of it with their texts in a language, for a document: titles, points, questions, channels. Figures, ids and what people typed stay.
 *
 * @example
 * inLanguage(procedure, state, 'de').procedure.points[0].label // 'Nullpunkt'
 */
export function inLanguage(procedure: Procedure, state: RunState, language: Language): { procedure: Procedure; state: RunState } {
  if (language === 'en') return { procedure, state };
  const worded = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(worded);
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, one]) => [
        key,
        typeof one === 'string' && WORDED.has(key) ? textIn(one, language) : worded(one),
      ]),
    );
  };
  return {
    procedure: worded(procedure) as Procedure,
    state: { ...state, channels: state.channels.map((one) => ({ ...one, label: textIn(one.label, language) })) },
  };
}
