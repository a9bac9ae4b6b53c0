import type { RunState } from '../record/state';
import { isWordCode, say, type Fact, type Language } from '../words/say';
import '@/core/words/en/deviations';

/** Deviations from the method in a language: what the program noted in its words, what somebody typed as it was typed. A record from before facts were kept stays as it was written. */
export const describeDeviations = ({ deviations }: Pick<RunState, 'deviations'>, language: Language): string[] =>
  deviations.map(({ what, reason, said, because }) => `${worded(said, what, language)}. ${worded(because, reason, language)}`);

/** A code that this house doesn't know is a record of another version: its sentence stands beside it. */
const worded = (fact: Fact | undefined, written: string, language: Language): string =>
  fact && language !== 'en' && isWordCode(fact.code) ? say(fact, language) : written;
