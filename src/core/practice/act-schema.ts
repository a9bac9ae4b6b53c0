import * as yup from 'yup';
import { parseCommand } from '../run/command-schema';
import { LONGEST_MS, MOST_ACTS, type Act } from './act';
import { FAULT_IDS, LOOKS, REMEDIES } from './fault';
import { INCIDENTS } from './incident';

const CHOICES = [...new Set(Object.values(INCIDENTS).flatMap((one) => one.choices as readonly string[]))];
const base = {
  at: yup.number().integer().min(0).max(LONGEST_MS).required(),
  place: yup.number().integer().min(1).max(24).required(),
};
const ACTS = {
  press: yup.object({
    ...base,
    key: yup.string().oneOf(['zero', 'span', 'save']).required(),
    slot: yup.number().integer().min(1).max(64).optional(),
  }),
  look: yup.object({
    ...base,
    look: yup
      .string()
      .oneOf([...LOOKS])
      .required(),
  }),
  mend: yup.object({
    ...base,
    remedy: yup
      .string()
      .oneOf([...REMEDIES])
      .required(),
  }),
  diagnose: yup.object({
    ...base,
    fault: yup
      .string()
      .oneOf([...FAULT_IDS, 'none'])
      .required(),
    channel: yup.string().max(60).optional(),
  }),
  heed: yup.object({ ...base, choice: yup.string().oneOf(CHOICES).required() }),
  command: yup.object(base),
} as const;

/**
 * What a browser says was done in an exercise, checked thing by thing; times never go back.
 * Errors: yup.ValidationError for what no exercise has.
 *
 * @example
 * parseActs([{ do: 'look', look: 'tube', at: 900, place: 1 }]).length // 1
 */
export function parseActs(value: unknown): Act[] {
  if (!Array.isArray(value) || value.length > MOST_ACTS)
    throw new yup.ValidationError('These are no acts of an exercise.', value, 'acts');
  let before = 0;
  return value.map((one: unknown, index) => {
    const kind = String((one as { do?: unknown } | null)?.do);
    if (!Object.hasOwn(ACTS, kind)) throw new yup.ValidationError('Nobody can do that in an exercise.', one, `acts[${index}].do`);
    const read = ACTS[kind as keyof typeof ACTS].validateSync(one, { stripUnknown: true });
    if (read.at < before) throw new yup.ValidationError('Time does not go back.', one, `acts[${index}].at`);
    before = read.at;
    const more = kind === 'command' ? { command: parseCommand((one as { command?: unknown }).command) } : {};
    return { ...read, ...more, do: kind } as Act;
  });
}
