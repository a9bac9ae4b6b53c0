import * as yup from 'yup';
import { OUTPUTS, type Output } from './output';

/** What an instrument model either has or has not. */
export const TRAIT_FLAGS = [
  'pumped',
  'pumpSwitchable',
  /** Made for one bottle: its span value can't be set. */
  'spanFixed',
  /** Its span value is kept in it: compared with the bottle before each span. */
  'spanStored',
  'detectorPairs',
  'host',
  'analoguePair',
  /** Its zero hides what gas is left in the sensor: five minutes after gas, whatever it shows. */
  'hidesGas',
  /** Its maker's kit feeds a pump by a fixed flow: no deviation here. */
  'kitFlow',
] as const;
export type TraitFlag = (typeof TRAIT_FLAGS)[number];
/** How a probe wants to be kept between uses. */
export const STORAGES = ['wet', 'dry', 'moist', 'droplets'] as const;
export type Storage = (typeof STORAGES)[number];

/** What the work depends on about a model, beside its channels. */
export type Traits = { [flag in TraitFlag]?: true } & {
  /** An asset of its own that is no body. */
  part?: 'probe' | 'cell';
  stores?: Storage;
  /** What tells a person in danger; all three where left out. */
  outputs?: Output[];
  /** What its pump draws, L/min, as a decimal text. */
  drawsLPerMin?: string;
  /** Days that a probe calibrated off-line stands ready. */
  readyDays?: number;
  /** Answers to questions of its procedure that are not the procedure's own: question → option. */
  schools?: Record<string, string>;
};

const yes = yup.boolean().oneOf([true]).optional();
const SHAPE = yup
  .object({
    ...Object.fromEntries(TRAIT_FLAGS.map((flag) => [flag, yes])),
    part: yup.string().oneOf(['probe', 'cell']).optional(),
    stores: yup
      .string()
      .oneOf([...STORAGES])
      .optional(),
    outputs: yup
      .array()
      .of(
        yup
          .string()
          .oneOf([...OUTPUTS])
          .required(),
      )
      .optional()
      .default(undefined),
    drawsLPerMin: yup
      .string()
      .matches(/^\d{1,2}(\.\d{1,3})?$/)
      .optional(),
    readyDays: yup.number().integer().min(1).max(3650).optional(),
    schools: yup
      .object()
      .test('texts', (value) => value === undefined || Object.values(value).every((one) => typeof one === 'string'))
      .optional()
      .default(undefined),
  })
  .noUnknown();

/**
 * A model's traits as they were stored, checked.
 * Errors: RangeError naming what is not allowed, for an unknown trait or a value that it cannot have.
 *
 * @example
 * readTraits({ pumped: true, drawsLPerMin: '0.5' }) // the same
 */
export function readTraits(stored: unknown): Traits {
  try {
    return SHAPE.validateSync(stored, { strict: true }) as Traits;
  } catch (error) {
    throw new RangeError(`traits must be those of a model: ${(error as Error).message}`);
  }
}

const OLD_FLAGS: Record<string, Traits> = {
  pumped: { pumped: true },
  'pump-switchable': { pumpSwitchable: true },
  'span-fixed': { spanFixed: true },
  'detector-pairs': { detectorPairs: true },
  host: { host: true },
  'analogue-pair': { analoguePair: true },
  'part:probe': { part: 'probe' },
  'part:cell': { part: 'cell' },
  'stores-wet': { stores: 'wet' },
  'stores-dry': { stores: 'dry' },
  'stores-moist': { stores: 'moist' },
  'stores-droplets': { stores: 'droplets' },
};

/**
 * Traits out of the list of words that runs begun before today's form carry; words that said nothing are dropped.
 * Errors: none.
 *
 * @example
 * traitsOfWords(['pumped', 'draws-0.5', 'points:one']) // { pumped: true, drawsLPerMin: '0.5', schools: { points: 'one' } }
 */
export function traitsOfWords(words: readonly string[]): Traits {
  const traits: Traits = {};
  for (const word of words) {
    if (OLD_FLAGS[word]) Object.assign(traits, OLD_FLAGS[word]);
    else if (/^draws-\d/.test(word)) traits.drawsLPerMin = word.slice(6);
    else if (/^ready-days-\d/.test(word)) traits.readyDays = Number(word.slice(11));
    else if (word.includes(':')) {
      const [question, option] = word.split(':') as [string, string];
      traits.schools = { ...traits.schools, [question]: option };
    }
  }
  return traits;
}
