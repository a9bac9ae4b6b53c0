import type { Procedure } from '@/core/procedure/procedure';
import type { RunState } from '@/core/record/state';
import type { Fact, Language } from '@/core/words/say';
import { stepInGerman } from './in-german-steps';
import { IN_GERMAN, QUANTITIES_IN_GERMAN } from './in-german';

/** A text of a shipped procedure in a language; one that a workshop wrote itself stays as it wrote it. */
export const textIn = (text: string, language: Language): string =>
  language === 'de' ? (IN_GERMAN[text] ?? QUANTITIES_IN_GERMAN[text] ?? stepInGerman(text) ?? text) : text;

/** A fact whose parts are texts of the procedure: title of a step, name of a place. */
const factIn = ({ code, numbers }: Fact, language: Language): Fact => ({
  code,
  ...(numbers
    ? {
        numbers: Object.fromEntries(
          Object.entries(numbers).map(([name, one]) => [name, typeof one === 'string' ? textIn(one, language) : one]),
        ),
      }
    : {}),
});

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
    state: {
      ...state,
      channels: state.channels.map((one) => ({ ...one, label: textIn(one.label, language) })),
      deviations: state.deviations.map((one) => ({
        ...one,
        ...(one.said ? { said: factIn(one.said, language) } : {}),
        ...(one.because ? { because: factIn(one.because, language) } : {}),
      })),
    },
  };
}
