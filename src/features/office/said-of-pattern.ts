import type { PatternProblem } from '@/core/paper/number-pattern';
import { say } from '@/core/words/say';
import '@/core/words/en/office-papers';

/** What is wrong with a pattern, for the field it stands in. */
export const saidOfPattern = (problem: PatternProblem): string =>
  typeof problem === 'string'
    ? say({ code: `numbers.problem.${problem}` })
    : say({ code: 'numbers.problem.like', numbers: { other: say({ code: `numbers.series.${problem.like}` }) } });
