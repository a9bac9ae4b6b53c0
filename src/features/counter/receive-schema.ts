import * as yup from 'yup';
import { CHANNEL_STATUSES } from '@/core/instrument/channel-status';
import { INSPECTION_RESULTS } from '@/core/stored/house';
import { SERVICES } from '@/core/instrument/service';
import { samplesSchema } from '@/core/instrument/samples-typed';

export const INSPECTION_GROUPS = ['housing', 'inlets', 'probe', 'clean'] as const;
export type InspectionGroup = (typeof INSPECTION_GROUPS)[number];

export interface InspectionItem {
  id: string;
  label: string;
  /** What one looks at in the same look: passed together by one press. */
  group: InspectionGroup;
  /** Only where the instrument measures one of these; else it is not applicable. */
  measurands?: string[];
}

/** What is looked at when an instrument comes in (common practice); each begins as not looked at; then pass, fault with a note, or not applicable. */
export const INSPECTION_ITEMS: InspectionItem[] = [
  { id: 'case', group: 'housing', label: 'Case, clip and display' },
  { id: 'keys', group: 'housing', label: 'Keys' },
  { id: 'battery', group: 'housing', label: 'Battery contacts and voltage' },
  { id: 'filters', group: 'inlets', label: 'Filters and gaskets' },
  { id: 'inlet', group: 'inlets', label: 'Sensor inlets, pump inlet' },
  { id: 'plugs', group: 'inlets', label: 'Cable not twisted, plug pins straight' },
  { id: 'glass', group: 'probe', label: 'pH glass intact and wet', measurands: ['pH'] },
  { id: 'cell', group: 'probe', label: 'Conductivity electrodes clean, no rust', measurands: ['conductivity'] },
  { id: 'membrane', group: 'probe', label: 'Membrane smooth, electrolyte more than half full', measurands: ['dissolved oxygen'] },
  { id: 'clean', group: 'clean', label: 'Clean, or with a declaration' },
];

/** The items for an instrument that measures these. */
export function inspectionFor(measurands: string[]): InspectionItem[] {
  return INSPECTION_ITEMS.filter((item) => !item.measurands || item.measurands.some((one) => measurands.includes(one)));
}

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
export const serialSchema = text(40)
  .required('The serial number is needed.')
  .matches(/^[\w\-./ ]+$/, { message: 'Letters, figures, dash, point and slash only.', excludeEmptyString: true });

const channelSchema = yup.object({
  role: text(20).required(),
  status: yup
    .string()
    .oneOf([...CHANNEL_STATUSES])
    .required(),
  sensorSerial: text(40).default(''),
});

export const assetSchema = yup.object({
  customerId: yup.string().uuid().required('Choose the customer first.'),
  modelId: yup.string().uuid().required('Choose the model.'),
  serial: serialSchema,
  tag: text(40).default(''),
  channels: yup.array(channelSchema).default([]),
});

const inspected = yup
  .object({
    result: yup
      .string()
      .oneOf([...INSPECTION_RESULTS])
      .required(),
    note: text(300).default(''),
  })
  .test('note', 'Say what is wrong.', (value) => value.result !== 'fault' || Boolean(value.note));

export const receiptSchema = yup.object({
  customerId: yup.string().uuid().required('Choose the customer.'),
  /** Where it came with a delivery that is on record already. */
  receiptId: yup.string().uuid().optional(),
  /** Where it was announced. */
  bookingId: yup.string().uuid().optional(),
  contact: text(120).default(''),
  note: text(500).default(''),
  instruments: yup
    .array(
      yup.object({
        assetId: yup.string().uuid().required(),
        service: yup
          .string()
          .oneOf([...SERVICES])
          .required(),
        rule: yup.string().oneOf(['simple', 'guarded']).default('simple'),
        promiseOn: yup
          .string()
          .nullable()
          .default(null)
          .matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A date.', excludeEmptyString: true }),
        dueAgreed: yup.boolean().default(false),
        note: text(500).default(''),
        samples: samplesSchema.optional().default(undefined),
        inspection: yup
          .object(
            Object.fromEntries(
              INSPECTION_ITEMS.map((item) => [
                item.id,
                inspected.default({ result: item.measurands ? 'notApplicable' : 'notLookedAt', note: '' }),
              ]),
            ),
          )
          .required(),
      }),
    )
    .min(1, 'At least one instrument.')
    .max(30)
    .required(),
});

export type ReceiptInput = yup.InferType<typeof receiptSchema>;
export type AssetInput = yup.InferType<typeof assetSchema>;
