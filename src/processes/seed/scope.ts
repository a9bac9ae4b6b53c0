import type { MeasurandId } from '@/core/quantity/unit';

type Line = [
  measurand: MeasurandId,
  unit: string,
  lowest: string,
  highest: string,
  smallest: string,
  form: 'absolute' | 'percent',
];

/** What the demo's workshop claims. Turbidity is too new for its scope, and so are the breathing gases: their results are marked. */
export const SCOPE: Line[] = [
  ['oxygen', '%vol', '0', '25', '0.2', 'absolute'],
  ['methane', '%LEL', '0', '100', '0.5', 'absolute'],
  ['pentane', '%LEL', '0', '100', '0.5', 'absolute'],
  ['hydrogen sulphide', 'ppm', '0', '5', '0.3', 'absolute'],
  ['hydrogen sulphide', 'ppm', '5', '200', '3', 'percent'],
  ['carbon monoxide', 'ppm', '0', '20', '0.8', 'absolute'],
  ['carbon monoxide', 'ppm', '20', '1000', '2', 'percent'],
  ['sulphur dioxide', 'ppm', '0', '20', '0.2', 'absolute'],
  ['carbon dioxide', 'ppm', '0', '10000', '10', 'absolute'],
  ['hydrogen', 'ppm', '0', '200', '0.8', 'absolute'],
  ['volatile organics', 'ppb', '0', '20000', '5', 'absolute'],
  ['ethanol', 'g/210 L', '0', '0.1', '0.001', 'absolute'],
  ['pH', 'pH', '2', '12', '0.02', 'absolute'],
  ['conductivity', 'µS/cm', '50', '20000', '0.5', 'percent'],
  ['conductivity', 'mS/cm', '1', '20', '0.5', 'percent'],
  ['dissolved solids', 'ppm', '25', '10000', '0.5', 'percent'],
  ['dissolved oxygen', 'mg/L', '5', '15', '0.05', 'absolute'],
  ['oxygen saturation', '%', '50', '120', '0.5', 'absolute'],
  ['temperature', '°C', '5', '45', '0.1', 'absolute'],
  ['redox potential', 'mV', '100', '500', '5', 'absolute'],
];
