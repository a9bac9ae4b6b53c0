import * as yup from 'yup';
import type { Doubt } from '../results/suspicion';
import { say } from '../words/say';
import { storedReader } from '../stored-reader';
import '@/core/words/en/recall';

const FIGURE = /^[+-]?\d{1,9}(\.\d{1,9})?$/;
const substance = yup.string().max(60).required();
const figure = () =>
  yup
    .string()
    .trim()
    .matches(FIGURE, () => say({ code: 'recall.figure' }))
    .required(() => say({ code: 'recall.figure' }));

/** What is thought of one quantity, as it is typed and as it is stored. */
export const DOUBT = yup.lazy((given: unknown) =>
  (given as { kind?: unknown } | null)?.kind === 'unknown'
    ? yup.object({ substance, kind: yup.string().oneOf(['unknown']).required() }).noUnknown()
    : yup.object({ substance, kind: yup.string().oneOf(['value', 'shift']).required(), value: figure() }).noUnknown(),
);

/** Doubts as they were stored, checked. Errors: RangeError. */
export const readDoubts = storedReader<Doubt[]>(
  'doubts',
  yup
    .array(DOUBT as never)
    .min(1)
    .required() as never,
);
