import * as yup from 'yup';
import type { EquipmentDetail, MaterialComponent } from '../record/reference-snapshot';
import { day, decimal, pairs, shape, storedReader } from '../stored-reader';

const COMPONENT = shape({
  substance: yup.string().required(),
  value: decimal().required(),
  unit: yup.string().required(),
  expanded: decimal().required(),
  k: yup.number().positive().required(),
  table: pairs(),
  corrections: pairs(),
});

/** What a bottle, buffer or piece of equipment is certified for, as it was stored, checked. Errors: RangeError. */
export const readComponents = storedReader<MaterialComponent[]>('components', yup.array(COMPONENT.required()).required());

/** What is known of a piece of equipment, as it was stored, checked. Errors: RangeError. */
export const readEquipmentDetail = storedReader<EquipmentDetail>(
  'equipment',
  shape({
    flowLPerMin: decimal(),
    demand: yup.boolean(),
    fitting: yup.string(),
    handling: yup.string(),
    serial: yup.string(),
    lengthCm: decimal(),
    stabilityIncluded: yup.boolean(),
    lifeDays: decimal(),
    volumeMl: decimal(),
    doseMl: decimal(),
    singleDose: yup.boolean(),
    set: yup.string(),
    nominal: yup.string(),
  }).required(),
);

/** The check of a new or returned reference before its first use. */
export interface Acceptance {
  on: string;
  by: string;
  note: string;
}

/** The check of a new or returned reference before its first use, as it was stored, checked. Errors: RangeError. */
export const readAcceptance = storedReader<Acceptance>(
  'acceptance',
  shape({ on: day().required(), by: yup.string().required(), note: yup.string().defined() }).required(),
);
