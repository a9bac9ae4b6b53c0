import { Dec, decimalPlaces } from '../quantity/decimal';
import { interpolateTable } from '../quantity/interpolate-table';
import { refuse, type Refusal } from '../words/refusal';
import type { MaterialComponent } from '../record/reference-snapshot';
import { boundReference, type Binding } from '../record/state';
import { bounded, type Component } from '../uncertainty/component';
import { say } from '../words/say';
import { standingComponent } from './common-influences';
import { equipmentComponent } from './equipment';
import type { InfluenceContext, Inputs, Measurand, PointInput, TargetContext } from './measurand';
import { movedBy } from './moved';
import { measures } from '../record/room';

export const THERMOMETER_SLOT = 'thermometer';
/** Tolerance of an instrument's own sensor where its model states none, °C (common practice). */
const OWN_SENSOR_C = '2';
export const TEMPERATURE: PointInput = { name: 'temperatureC', label: '°C', needed: true };

export interface LiquidTemperature {
  value: number;
  /** What enters the record: the corrected figure, what was shown, and by which thermometer. */
  inputs: Inputs;
  binding: Binding | null;
}

/**
 * A figure as shown, corrected by the certificate of the equipment that showed it (a table of corrections over its range; none where it has none).
 * Outside the table it is refused: nothing is extrapolated.
 *
 * @example
 * correctedBy({ substance: 'temperature', corrections: [[0, 0.1], [50, -0.1]], … }, '25.0', binding) // '25.00'
 */
export function correctedBy(
  component: MaterialComponent | null,
  shown: string,
  binding: Pick<Binding, 'reference'>,
): string | Refusal {
  if (!component?.corrections?.length) return shown;
  const [lowest, highest] = [component.corrections[0]![0], component.corrections.at(-1)![0]];
  if (Number(shown) < lowest || Number(shown) > highest)
    return refuse(
      'outsideCorrections',
      say({
        code: 'refused.outsideCorrections',
        numbers: { shown, unit: component.unit, name: binding.reference.name, lowest, highest },
      }),
      { field: 'temperatureC' },
    );
  const correction = interpolateTable({ table: component.corrections, name: component.substance, at: Number(shown) });
  return new Dec(shown).plus(correction.toFixed(3)).toFixed(Math.max(decimalPlaces(shown), 2));
}

/**
 * Temperature of the liquid: by a thermometer with a certificate, never by the instrument under calibration, unless nothing else was dipped.
 * Procedures from before thermometers were asked for take what was typed.
 */
export function liquidTemperature(context: TargetContext): LiquidTemperature | Refusal {
  const { inputs, state, procedure } = context;
  const shown = inputs.temperatureC?.trim() ?? '';
  if (!/^[+-]?\d+(\.\d+)?$/.test(shown))
    return refuse('noTemperature', say({ code: 'refused.noTemperature' }), { field: 'temperatureC' });
  const asked = procedure.slots.some((slot) => slot.id === THERMOMETER_SLOT);
  const binding = boundReference(state, THERMOMETER_SLOT);
  const own = inputs.temperatureFrom === 'instrument';
  // Moved about for a sensitivity, or already corrected: taken as it is.
  if (inputs.unrounded || !asked) return { value: Number(shown), inputs: { ...inputs }, binding };
  if (own && binding)
    return refuse(
      'thermometerBound',
      say({ code: 'refused.thermometerBound', numbers: { name: binding.reference.name, lot: binding.reference.lot } }),
      { field: 'temperatureC' },
    );
  if (own) return { value: Number(shown), inputs: { ...inputs }, binding: null };
  if (!binding) return refuse('noThermometer', say({ code: 'refused.noThermometer' }), { field: 'temperatureC' });
  const value = correctedBy(measures(binding, 'temperature'), shown, binding);
  if (typeof value !== 'string') return value;
  return {
    value: Number(value),
    inputs: {
      ...inputs,
      temperatureC: value,
      ...(value === shown ? {} : { temperatureShown: shown }),
      thermometer: binding.reference.lot,
    },
    binding,
  };
}

/** What the temperature of the liquid leaves open of the target: thermometer, gradient in the beaker, or the own sensor's tolerance. */
export function temperatureInfluences(context: InfluenceContext, measurand: Measurand, step = 0.5): Component[] {
  if (context.target.inputs.temperatureC === undefined) return [];
  const sensitivity = movedBy(
    { ...context, inputs: { ...context.inputs, temperatureC: context.target.inputs.temperatureC } },
    measurand.target,
    'temperatureC',
    step,
  );
  const gradient = standingComponent(context, measurand, 'gradient', 'gradient', { sensitivity });
  const used = context.state.bindings.find((one) => one.reference.lot === context.target.inputs.thermometer) ?? null;
  if (context.target.inputs.temperatureFrom === 'instrument') {
    const tolerance = context.state.channels.find((one) => one.measurand === 'temperature')?.tolerance.absolute ?? OWN_SENSOR_C;
    return [
      bounded({
        id: 'ownSensor',
        half: Number(tolerance),
        sensitivity,
        basis: { code: 'basis.ownSensor', numbers: { tolerance } },
      }),
      ...(gradient ? [gradient] : []),
    ];
  }
  const thermometer = equipmentComponent({
    id: 'thermometer',
    basis: 'basis.thermometer',
    binding: used,
    component: measures(used, 'temperature'),
    sensitivity,
    openHalf: 0.5,
    unit: '°C',
  });
  return [thermometer, ...(gradient ? [gradient] : [])];
}
