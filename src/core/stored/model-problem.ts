import type { WordCode } from '../words/say';
import '@/core/words/en/models';

/** What does not fit together in a model: where (the path of its field), a code of the catalogue, and figures. */
export interface ModelProblem {
  field: string;
  code: WordCode & `model.${string}`;
  numbers?: Record<string, string>;
}
