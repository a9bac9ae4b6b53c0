import { kclStandard, type KclStandard } from '../conductivity/kcl-standard';
import { mixedSaltSolids, totalDissolvedSolids } from '../conductivity/total-dissolved-solids';
import { toReferenceTemperature } from '../conductivity/to-reference-temperature';
import { airCalibrationTarget } from '../oxygen/air-calibration';
import { BUFFER_IDS, bufferRange, bufferValue, type BufferId } from '../ph/buffer-value';
import { Dec, decimalPlaces } from '../quantity/decimal';
import { interpolateTable } from '../quantity/interpolate-table';
import type { RunChannel, TargetUsed } from './event';
import { refuse, type Refusal } from './refusal';
import type { MaterialComponent } from './reference-snapshot';

type Used = Omit<TargetUsed, 'binding'>;
type Inputs = Record<string, string>;

const KCL: Record<string, KclStandard> = { 'kcl-84': '84', 'kcl-1413': '1413', 'kcl-12880': '12880' };
const PER_MS = 1000;

/** A typed temperature as a number, or what is wrong with it, beside its field. */
export function temperatureOf(inputs: Inputs): number | Refusal {
  const typed = inputs.temperatureC?.trim() ?? '';
  return /^[+-]?\d+(\.\d+)?$/.test(typed)
    ? Number(typed)
    : refuse('noTemperature', 'Type the temperature of the liquid: its value depends on it.', { field: 'temperatureC' });
}

/** Value of a buffer or standard at a temperature, with what it is computed from: the lot's own table before the usual one. */
export function valueAt(
  component: MaterialComponent,
  temperatureC: number,
): { value: number; from: string; places: number } | Refusal {
  const outside = (low: number, high: number) =>
    refuse(
      'outsideTable',
      `${temperatureC} °C is outside the table of ${component.substance} (${low} to ${high} °C): bring the liquid into it, nothing is extrapolated.`,
      { field: 'temperatureC' },
    );
  if (component.table?.length) {
    const [low, high] = [component.table[0]![0], component.table[component.table.length - 1]![0]];
    if (temperatureC < low || temperatureC > high) return outside(low, high);
    return {
      value: interpolateTable({ table: component.table, name: 'temperatureC', at: temperatureC }),
      from: 'from the lot’s own table',
      places: component.unit === 'pH' ? 3 : 1,
    };
  }
  if ((BUFFER_IDS as string[]).includes(component.substance)) {
    const buffer = component.substance as BufferId;
    const [low, high] = bufferRange(buffer);
    if (temperatureC < low || temperatureC > high) return outside(low, high);
    return { value: bufferValue({ buffer, temperatureC }), from: 'from the usual table of this buffer', places: 3 };
  }
  const standard = KCL[component.substance];
  if (!standard) return refuse('noTable', `There is no temperature table for ${component.substance}: type it off the bottle.`);
  const low = standard === '84' ? 10 : 0;
  if (temperatureC < low || temperatureC > 30) return outside(low, 30);
  const micro = kclStandard({ standard, temperatureC });
  return {
    value: component.unit === 'mS/cm' ? micro / PER_MS : micro,
    from: 'from the handbook table of potassium chloride',
    places: component.unit === 'mS/cm' ? 4 : 1,
  };
}

/** A buffer or standard at the measured temperature. A sign or a buffer that contradicts the bottle is said, never taken silently. */
export function atTemperature(component: MaterialComponent, channel: RunChannel, inputs: Inputs): Used | Refusal {
  const temperatureC = temperatureOf(inputs);
  if (typeof temperatureC !== 'number') return temperatureC;
  const found = valueAt(component, temperatureC);
  if ('refused' in found) return found;
  const value = inUnit(found.value.toFixed(found.places), component.unit, channel.unit);
  if (value === null) return wrongUnit(component, channel);
  return {
    value,
    unit: channel.unit,
    expanded: inUnit(component.expanded, component.unit, channel.unit),
    k: component.k,
    inputs,
    sentence: `${component.substance} at ${inputs.temperatureC} °C is ${channel.unit === 'pH' ? `pH ${value}` : `${value} ${channel.unit}`}${channel.water?.referenceElectrode ? ` against ${channel.water.referenceElectrode}` : ''}, ${found.from}`,
  };
}

/** What a sound meter shows of a conductivity standard: its value at the measured temperature, referred by the meter's own rule. */
export function compensated(component: MaterialComponent, channel: RunChannel, inputs: Inputs): Used | Refusal {
  const rule = channel.water?.compensation;
  if (!rule) return atTemperature(component, channel, inputs);
  const temperatureC = temperatureOf(inputs);
  if (typeof temperatureC !== 'number') return temperatureC;
  const whole = { unit: channel.unit, k: component.k, inputs: { ...inputs, referenceC: rule.referenceC } };
  const expanded = inUnit(component.expanded, component.unit, channel.unit);
  const certified = inUnit(component.value, component.unit, channel.unit);
  if (certified === null) return wrongUnit(component, channel);
  const known = component.table?.length || KCL[component.substance];
  if (!rule.percentPerC || !known)
    return {
      ...whole,
      value: certified,
      expanded,
      sentence: `${component.substance} ${certified} ${channel.unit} at 25 °C, the meter refers its reading to ${rule.referenceC} °C`,
    };
  const there = valueAt(component, temperatureC);
  if ('refused' in there) return there;
  const micro = toReferenceTemperature({
    conductivity: there.value,
    temperatureC,
    referenceC: Number(rule.referenceC),
    alphaPercentPerC: Number(rule.percentPerC),
  });
  const value = inUnit(micro.toFixed(component.unit === 'mS/cm' ? 4 : 1), component.unit, channel.unit)!;
  return {
    ...whole,
    inputs: { ...whole.inputs, percentPerC: rule.percentPerC },
    value,
    expanded,
    sentence: `${component.substance}: ${new Dec(there.value.toFixed(there.places)).toFixed()} ${component.unit} at ${inputs.temperatureC} °C ${there.from}, by the meter’s ${rule.percentPerC} %/°C referred to ${rule.referenceC} °C is ${value} ${channel.unit}`,
  };
}

/** Dissolved solids of a conductivity standard by the channel's own rule, which stands on the certificate. */
export function solids(component: MaterialComponent, channel: RunChannel, inputs: Inputs): Used | Refusal {
  const rule = channel.water?.solids;
  const micro = inUnit(component.value, component.unit, 'µS/cm');
  if (!rule || micro === null)
    return refuse('noSolidsRule', `How ${channel.label} is computed from conductivity (factor or curve) is not known.`);
  const conductivityUsPerCm = Number(micro);
  if ('curve' in rule && conductivityUsPerCm > 3000)
    return refuse('outsideTable', 'The mixed-salt curve goes to 3000 µS/cm: take a standard under it.');
  const ppm =
    'factor' in rule
      ? totalDissolvedSolids({ conductivityUsPerCm, factor: Number(rule.factor) })
      : mixedSaltSolids({ conductivityUsPerCm });
  const scale = channel.unit === 'ppt' ? PER_MS : 1;
  const value = (ppm / scale).toFixed(decimalPlaces(channel.resolution) + 1);
  const share = new Dec(component.expanded).div(component.value);
  return {
    value,
    unit: channel.unit,
    expanded: share.times(value).toSignificantDigits(3).toFixed(),
    k: component.k,
    inputs,
    sentence: `${component.substance} ${micro} µS/cm at 25 °C is ${value} ${channel.unit} by ${'factor' in rule ? `the factor ${rule.factor}` : 'the mixed-salt curve'}`,
  };
}

/** ± 0.2 °C and ± 1 hPa: what the bench's thermometer and barometer leave open (k = 2, common practice). */
const OPEN_C = 0.2;
const OPEN_HPA = 1;

/** Water-saturated air at the pressure of the place, in what the channel shows. Source: as `airCalibrationTarget`. */
export function airSaturated(channel: RunChannel, pressure: string | undefined, inputs: Inputs): TargetUsed | Refusal {
  const temperatureC = temperatureOf(inputs);
  if (typeof temperatureC !== 'number') return temperatureC;
  if (temperatureC < 0.5 || temperatureC > 39.5)
    return refuse('outsideTable', `${inputs.temperatureC} °C is outside 0.5 to 39.5 °C, where the solubility is known here.`, {
      field: 'temperatureC',
    });
  if (!pressure || !(Number(pressure) >= 510 && Number(pressure) <= 1090))
    return refuse('noPressure', 'The expected value follows the air pressure: record it first (510 to 1090 hPa).', {
      field: 'pressureHPa',
    });
  const percent = channel.unit === '%';
  const scale = channel.water?.saturation ?? 'local';
  const shown = (at: number, hPa: number) => {
    const target = airCalibrationTarget({ temperatureC: at, pressureHPa: hPa });
    return percent ? (scale === 'local' ? target.percentLocal : target.percentOfOneAtm) : target.mgPerL;
  };
  const hPa = Number(pressure);
  const value = shown(temperatureC, hPa).toFixed(decimalPlaces(channel.resolution) + 1);
  const open = Math.hypot(
    (shown(temperatureC + OPEN_C, hPa) - shown(temperatureC - OPEN_C, hPa)) / 2,
    (shown(temperatureC, hPa + OPEN_HPA) - shown(temperatureC, hPa - OPEN_HPA)) / 2,
  );
  const what = percent ? (scale === 'local' ? '% of saturation at this pressure' : '% of saturation at 1 atm') : 'mg/L';
  return {
    value,
    unit: channel.unit,
    expanded: open === 0 ? null : String(Number(open.toPrecision(3))),
    k: 2,
    inputs: { ...inputs, pressureHPa: pressure, saturation: percent ? scale : 'mg/L' },
    binding: null,
    sentence: `water-saturated air at ${inputs.temperatureC} °C and ${pressure} hPa: ${value} ${what}`,
  };
}

/** The same figure in another unit of conductivity, with no digit made up; null where the units don't fit. */
export function inUnit(value: string, from: string, to: string): string | null {
  if (from === to) return value;
  if (from === 'µS/cm' && to === 'mS/cm') return new Dec(value).div(PER_MS).toFixed();
  if (from === 'mS/cm' && to === 'µS/cm') return new Dec(value).times(PER_MS).toFixed();
  return null;
}

const wrongUnit = (component: MaterialComponent, channel: RunChannel) =>
  refuse(
    'wrongUnit',
    `The bottle states ${component.substance} in ${component.unit}, the channel ${channel.label} shows ${channel.unit}.`,
  );
