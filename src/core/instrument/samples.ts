import * as yup from 'yup';
import { storedReader } from '../stored-reader';

/** What an instrument is used for, as told at receipt: the highest of its samples, as decimal texts. pH; conductivity in µS/cm. */
export interface Samples {
  ph?: string;
  conductivity?: string;
}
export const SAMPLE_QUANTITIES = ['ph', 'conductivity'] as const;
export type SampleQuantity = (typeof SAMPLE_QUANTITIES)[number];

/** Unit and range that samples may have. */
export const SAMPLE_RANGE: Record<SampleQuantity, { unit: string; lowest: number; highest: number }> = {
  ph: { unit: 'pH', lowest: 0, highest: 14 },
  conductivity: { unit: 'µS/cm', lowest: 0, highest: 500_000 },
};

const figure = (quantity: SampleQuantity) =>
  yup
    .string()
    .optional()
    .test('range', '${path} must be a figure in its range', (value) => {
      const { lowest, highest } = SAMPLE_RANGE[quantity];
      return value === undefined || (/^\d{1,6}(\.\d{1,3})?$/.test(value) && Number(value) >= lowest && Number(value) <= highest);
    });
const SHAPE = yup.object({ ph: figure('ph'), conductivity: figure('conductivity') }).noUnknown();

/**
 * Samples as they were stored, checked.
 * Errors: RangeError naming what is not allowed.
 *
 * @example
 * readSamples({ ph: '9.5' }) // the same
 */
export const readSamples = storedReader<Samples>('samples', SHAPE.required());
