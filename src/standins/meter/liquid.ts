import { kclStandard, type KclStandard } from '@/core/conductivity/kcl-standard';
import { bufferValue, type BufferId } from '@/core/ph/buffer-value';

/** One substance as a bottle's label states it. */
export interface Poured {
  substance: string;
  value: string;
  unit: string;
  table?: [number, number][];
}

/** What a beaker really holds, whatever its label says. Conductivity in µS/cm at its own temperature. */
export interface Liquid {
  temperatureC: number;
  pH: number;
  conductivity: number;
  redoxMv: number | null;
  ionMgPerL: number | null;
  turbidityNtu: number;
}

/** Water of the tap, for a probe that stands in nothing in particular. */
const TAP = { pH: 7.6, conductivity: 320, redoxMv: null, ionMgPerL: null, turbidityNtu: 0.4 };
/** A usual salt conducts about 2 % more for each °C (common practice). */
const SALT_PER_C = 0.02;
const BUFFER_CONDUCTS = 4500;

/** What somebody poured, at the temperature it has. */
export function pour(poured: Poured[], temperatureC: number): Liquid {
  const liquid: Liquid = { temperatureC, ...TAP };
  for (const { substance, value, unit, table } of poured) {
    const number = Number(value) * (unit === 'mS/cm' ? 1000 : 1);
    if (unit === 'pH') {
      liquid.pH = table?.length ? between(table, temperatureC) : bufferAt(substance, Number(value), temperatureC);
      if (poured.length === 1) liquid.conductivity = BUFFER_CONDUCTS;
    } else if (unit === 'µS/cm' || unit === 'mS/cm') {
      const micro = table?.length ? between(table, temperatureC) * (unit === 'mS/cm' ? 1000 : 1) : null;
      liquid.conductivity = micro ?? conductivityAt(substance, number, temperatureC);
    } else if (unit === 'mV') liquid.redoxMv = table?.length ? between(table, temperatureC) : number;
    else if (unit === 'mg/L') liquid.ionMgPerL = number;
    else if (unit === 'NTU') liquid.turbidityNtu = number;
  }
  return liquid;
}

function bufferAt(substance: string, value: number, temperatureC: number): number {
  try {
    return bufferValue({ buffer: substance as BufferId, temperatureC });
  } catch {
    return value;
  }
}

function conductivityAt(substance: string, at25: number, temperatureC: number): number {
  const kcl = /^kcl-(84|1413|12880)$/.exec(substance)?.[1];
  if (kcl && temperatureC >= 10 && temperatureC <= 30) return kclStandard({ standard: kcl as KclStandard, temperatureC });
  return at25 * (1 + SALT_PER_C * (temperatureC - 25));
}

/** Straight lines between a label's temperatures; its ends hold beyond. */
function between(table: [number, number][], at: number): number {
  const upper = table.findIndex(([t]) => t >= at);
  if (upper === 0) return table[0]![1];
  if (upper < 0) return table[table.length - 1]![1];
  const [[t0, y0], [t1, y1]] = [table[upper - 1]!, table[upper]!];
  return y0 + ((y1 - y0) * (at - t0)) / (t1 - t0);
}
