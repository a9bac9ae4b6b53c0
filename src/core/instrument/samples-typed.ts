import * as yup from 'yup';
import { SAMPLE_QUANTITIES, SAMPLE_RANGE, type SampleQuantity, type Samples } from './samples';
import { say } from '../words/say';
import '@/core/words/en/samples';

/** A figure of the samples as it was typed: empty where nobody knows it. */
const figure = (quantity: SampleQuantity) =>
  yup
    .string()
    .trim()
    .default('')
    .test('range', (value, context) => {
      const { lowest, highest, unit } = SAMPLE_RANGE[quantity];
      const told = value.replace(',', '.');
      if (!told || (/^\d{1,6}(\.\d{1,3})?$/.test(told) && Number(told) >= lowest && Number(told) <= highest)) return true;
      return context.createError({ message: say({ code: 'samples.range', numbers: { lowest, highest, unit } }) });
    });
export const samplesSchema = yup.object({ ph: figure('ph'), conductivity: figure('conductivity') });

/** What was typed as what is kept: what nobody told is left out. */
export const samplesOf = (typed: { [quantity in SampleQuantity]?: string }): Samples =>
  Object.fromEntries(
    SAMPLE_QUANTITIES.flatMap((quantity) => (typed[quantity] ? [[quantity, typed[quantity].replace(',', '.')]] : [])),
  );
