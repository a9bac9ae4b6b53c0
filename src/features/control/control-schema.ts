import * as yup from 'yup';
import { CHART_KINDS } from '@/core/control/chart-kind';
import { say } from '@/core/words/say';
import '@/core/words/en/control';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const id = () => yup.string().uuid().required();
/** A figure as it is typed; a decimal comma is one as well. */
const figure = () =>
  yup
    .string()
    .transform((typed: unknown) => (typeof typed === 'string' ? typed.trim().replace(',', '.') : typed))
    .matches(/^[+-]?\d{1,9}(\.\d{1,9})?$/, () => say({ code: 'control.needsFigure' }))
    .required(() => say({ code: 'control.needsFigure' }));
const above = () =>
  figure().test(
    'above',
    () => say({ code: 'control.needsAbove' }),
    (value) => Number(value) > 0,
  );
const why = () => text(400).required(() => say({ code: 'control.needsWhy' }));

const told = {
  name: text(80).required(() => say({ code: 'control.needsName' })),
  how: text(600).default(''),
  referenceId: yup.string().uuid().nullable().default(null),
};
export const chartSchema = yup.object({
  ...told,
  kind: yup.string().oneOf(CHART_KINDS).required(),
  unit: text(20).required(() => say({ code: 'control.needsUnit' })),
  resolution: figure().test(
    'notBelow',
    () => say({ code: 'control.needsFigure' }),
    (value) => Number(value) >= 0,
  ),
});
export const correctChartSchema = yup.object({ chartId: id(), ...told });
export const pointSchema = yup.object({ chartId: id(), value: figure(), note: text(300).default('') });
export const explainSchema = yup.object({
  pointId: yup.number().integer().min(1).required(),
  explained: why(),
  /** Limits are drawn anew from here on: what it watches has changed for good. */
  anew: yup.boolean().default(false),
});
export const strikeSchema = yup.object({ pointId: yup.number().integer().min(1).required(), why: why() });
export const endSchema = yup.object({ chartId: id(), why: why() });
export const comparisonSchema = yup.object({
  onDay: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, () => say({ code: 'control.needsDay' }))
    .required(() => say({ code: 'control.needsDay' })),
  withWhom: text(120).required(() => say({ code: 'control.needsWhom' })),
  what: text(120).required(() => say({ code: 'control.needsWhat' })),
  unit: text(20).required(() => say({ code: 'control.needsUnit' })),
  value: figure(),
  expanded: above(),
  reference: figure(),
  referenceExpanded: above(),
  note: text(400).default(''),
});
export const strikeComparisonSchema = yup.object({ id: id(), why: why() });
