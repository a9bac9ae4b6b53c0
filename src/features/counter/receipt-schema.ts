import * as yup from 'yup';

const id = yup.string().uuid().required();
const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`).default('');
const why = 'Say in a few words why.';

export const receiptChangeSchema = yup.object({
  receiptId: id,
  contact: text(120),
  note: text(500),
  /** What stood there when it was opened. */
  seen: yup.object({ contact: yup.string().default(''), note: yup.string().default('') }).required(),
});
export type ReceiptChange = yup.InferType<typeof receiptChangeSchema>;

export const receiptSplitSchema = yup.object({
  receiptId: id,
  contact: text(120),
  ticketIds: yup.array(id).min(1, 'Choose at least one.').max(30).required(),
});
export type ReceiptSplit = yup.InferType<typeof receiptSplitSchema>;

export const receiptCancelSchema = yup.object({
  receiptId: id,
  why: yup.string().trim().min(3, why).max(300, 'At most 300 characters.').required(why),
});
