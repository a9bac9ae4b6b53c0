import * as yup from 'yup';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);

export const exchangeSchema = yup.object({
  probeId: yup.string().uuid().required('Which probe?'),
  /** Null: taken out, back to the workshop's shelf. */
  hostId: yup.string().uuid().nullable().default(null),
  place: text(120).default(''),
  on: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
    .required('When?'),
  note: text(300).default(''),
});
export type Exchange = yup.InferType<typeof exchangeSchema>;
