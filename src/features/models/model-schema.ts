import * as yup from 'yup';
import { readTraits, type Traits } from '@/core/instrument/traits';
import { readModelChannels, type ModelChannel } from '@/core/stored/channel';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
/** A part with a reader of its own in core: what the reader says stands at the part. */
const read = <T>(reader: (given: unknown) => T) =>
  yup
    .mixed<T & object>()
    .required()
    .test('read', (value, { createError }) => {
      try {
        reader(value);
        return true;
      } catch (error) {
        return createError({ message: (error as Error).message });
      }
    });

export const modelSchema = yup.object({
  maker: text(80).required('The maker is needed.'),
  name: text(80).required('The model’s name is needed.'),
  kind: text(80).required('Say what people call it.'),
  procedureId: text(80).required(),
  notes: text(1000).default(''),
  traits: read<Traits>(readTraits),
  channels: read<ModelChannel[]>(readModelChannels),
});
export type ModelInput = yup.InferType<typeof modelSchema>;

export const changeModelSchema = modelSchema.shape({
  modelId: yup.string().uuid().required(),
  version: yup.number().integer().min(1).required(),
});
export type ModelChange = yup.InferType<typeof changeModelSchema>;

const why = 'Say in a few words why.';
export const endModelSchema = yup.object({
  modelId: yup.string().uuid().required(),
  why: text(300).required(why).min(3, why),
});
