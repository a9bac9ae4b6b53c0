import type { MeterModel, MeterRole } from './meter-models';
import { nernst, showPh, slopesOf, type PhLine } from './ph-electrode';
import { vapour } from './oxygen-probe';

interface Kept {
  ph: PhLine;
  cell: number;
  oxygen: number;
  temperature: number;
  ion: { concentration: number; millivolts: number }[];
  /** NTU a unit of scattered light. */
  scatter: number;
}

interface Raws {
  measuredC: number;
  millivolts: number;
  conductance: number;
  signal: number;
  ionMv: number;
  scattered: number;
}

const KNOWN_PH: [value: number, table: [number, number][]][] = [
  [
    4.01,
    [
      [0, 4.01],
      [10, 4],
      [20, 4],
      [25, 4.01],
      [30, 4.02],
      [40, 4.03],
    ],
  ],
  [
    7,
    [
      [0, 7.12],
      [10, 7.06],
      [20, 7.02],
      [25, 7],
      [30, 6.99],
      [40, 6.97],
    ],
  ],
  [
    10.01,
    [
      [0, 10.32],
      [10, 10.18],
      [20, 10.06],
      [25, 10.01],
      [30, 9.97],
      [40, 9.89],
    ],
  ],
  [
    6.86,
    [
      [0, 6.98],
      [10, 6.92],
      [20, 6.88],
      [25, 6.86],
      [30, 6.85],
      [40, 6.84],
    ],
  ],
];
const KNOWN_EC = [84, 731, 1413, 1417, 5000, 12_880];
const ATM = 1013.25;
/** As it left the factory, drifted a little since: what it shows as found. */
const BEFORE: Kept = {
  ph: {
    points: [
      { pH: 7, scaled: -0.06 },
      { pH: 4, scaled: 2.91 },
    ],
  },
  cell: 1.006,
  oxygen: 1.02,
  temperature: -0.2,
  ion: [
    { concentration: 1, millivolts: 110.5 },
    { concentration: 10, millivolts: 53 },
  ],
  scatter: 1.012,
};

/** What the meter keeps of its calibrations, and what is not yet applied. */
export class Calibrations {
  private kept: Kept = structuredClone(BEFORE);
  private before: Kept | null = null;
  private phSession: { pH: number; scaled: number; nominal: number }[] = [];
  private ionSession: Kept['ion'] = [];

  constructor(private readonly model: MeterModel) {}

  get open(): boolean {
    return this.before !== null;
  }
  get temperatureShift(): number {
    return this.kept.temperature;
  }
  get oxygenFactor(): number {
    return this.kept.oxygen;
  }

  /** Applied for good; the points of this session stay, so that a second buffer can follow without switching off. */
  apply(): void {
    this.before = null;
  }
  discard(): void {
    if (this.before) this.kept = this.before;
    this.before = null;
    this.phSession = [];
  }

  showPh(millivolts: number, temperatureC: number): number {
    return showPh(this.kept.ph, millivolts, temperatureC);
  }
  showConductivity(conductance: number, temperatureC: number): number {
    return (conductance * this.kept.cell) / (1 + (this.model.percentPerC / 100) * (temperatureC - 25));
  }
  showSolids(conductance: number, temperatureC: number): number {
    const micro = this.showConductivity(conductance, temperatureC);
    // The mixed-salt curve through 731 = 500 and 1417 = 1000 (common practice).
    return this.model.solidsFactor === 'curve'
      ? 500 * (micro / 731) ** (Math.log(2) / Math.log(1417 / 731))
      : micro * this.model.solidsFactor;
  }
  showIon(millivolts: number): number {
    const [low, high] = this.kept.ion;
    if (!low || !high) return 0;
    const decade = (high.millivolts - low.millivolts) / Math.log10(high.concentration / low.concentration);
    return low.concentration * 10 ** ((millivolts - low.millivolts) / decade);
  }

  showTurbidity(scattered: number): number {
    return scattered * this.kept.scatter;
  }

  told(): { slope: number | null; offsetMv: number | null; cellConstant: number } {
    const slopes = slopesOf(this.kept.ph);
    const seven = this.kept.ph.points.find((point) => Math.abs(point.pH - 7) < 0.5);
    return {
      slope: slopes.length ? Math.min(...slopes) : null,
      offsetMv: seven ? seven.scaled * nernst(25) : null,
      cellConstant: this.kept.cell,
    };
  }

  /** A point is taken, or why not. */
  take(role: MeterRole, raw: Raws, pressureHPa: number, set: string | undefined): { text: string } | { why: string } {
    const before = structuredClone(this.kept);
    const result = this.takeInto(role, raw, pressureHPa, set);
    if ('why' in result) this.kept = before;
    else this.before ??= before;
    return result;
  }

  private takeInto(role: MeterRole, raw: Raws, pressureHPa: number, set: string | undefined): { text: string } | { why: string } {
    const temperatureC = raw.measuredC + this.kept.temperature;
    const given = set === undefined || set === '' ? null : Number(set);
    if (given !== null && !Number.isFinite(given)) return { why: 'a value is needed' };
    switch (role) {
      case 'ph':
        return this.takePh(raw.millivolts, temperatureC, given);
      case 'ec':
      case 'ecHigh':
      case 'tds': {
        const shown = this.showConductivity(raw.conductance, temperatureC);
        const wanted =
          given !== null && role !== 'tds'
            ? given * (role === 'ecHigh' || this.model.inMilli ? 1000 : 1)
            : nearest(KNOWN_EC, shown);
        if (wanted === null || shown <= 0) return { why: 'no standard recognised' };
        const cell = (this.kept.cell * wanted) / shown;
        if (cell < 0.75 || cell > 1.3) return { why: 'cell constant out of range' };
        this.kept.cell = cell;
        return { text: `${wanted}` };
      }
      case 'do':
      case 'sat': {
        const factor = (pressureHPa - vapour(temperatureC)) / ATM / raw.signal;
        if (factor < 0.75 || factor > 1.3) return { why: 'probe out of range' };
        this.kept.oxygen = factor;
        return { text: '100 %' };
      }
      case 'temperature':
        if (given === null || Math.abs(given - raw.measuredC) > 10) return { why: 'set it to the thermometer' };
        this.kept.temperature = given - raw.measuredC;
        return { text: `${given}` };
      case 'ion': {
        const concentration = given ?? nearest([1, 10], this.showIon(raw.ionMv));
        if (!concentration) return { why: 'a value is needed' };
        this.ionSession = [
          ...this.ionSession.filter((one) => one.concentration !== concentration),
          { concentration, millivolts: raw.ionMv },
        ].slice(-2);
        if (this.ionSession.length === 2) this.kept.ion = [...this.ionSession].sort((a, b) => a.concentration - b.concentration);
        return { text: `${concentration}` };
      }
      case 'turbidity':
        if (given === null || raw.scattered < 1) return { why: 'a value is needed' };
        this.kept.scatter = given / raw.scattered;
        return { text: `${given}` };
      case 'orp':
        return { why: 'ORP is not adjusted' };
    }
  }

  private takePh(millivolts: number, temperatureC: number, given: number | null): { text: string } | { why: string } {
    const scaled = millivolts / nernst(temperatureC);
    const known = KNOWN_PH.map(([nominal, table]) => ({ nominal, pH: between(table, temperatureC) }));
    const found =
      given !== null
        ? known.reduce((best, one) => (Math.abs(one.pH - given) < Math.abs(best.pH - given) ? one : best))
        : this.recognise(known.slice(0, 3), scaled);
    if (!found) return { why: 'buffer not recognised' };
    const pH = given ?? found.pH;
    if (this.phSession.length >= this.model.points) this.phSession = [];
    if (this.model.fixedOrder && this.phSession.length === 0 && Math.abs(found.nominal - 7) > 0.5)
      return { why: 'begins with buffer 7' };
    const session = [...this.phSession.filter((one) => one.nominal !== found.nominal), { pH, scaled, nominal: found.nominal }];
    const slopes = slopesOf({ points: session });
    if (slopes.some((slope) => slope < 75 || slope > 115)) return { why: 'slope out of range' };
    if (Math.abs(scaled + (pH - 7)) * nernst(temperatureC) > 90 && session.length === 1) return { why: 'offset out of range' };
    this.phSession = session;
    this.kept.ph = { points: session.map((one) => ({ pH: one.pH, scaled: one.scaled })) };
    return { text: found.nominal.toFixed(2) };
  }

  private recognise(known: { nominal: number; pH: number }[], scaled: number) {
    return known.find((one) => Math.abs(scaled - (7 - one.pH)) < 0.9) ?? null;
  }
}

const between = (table: [number, number][], at: number): number => {
  const upper = table.findIndex(([t]) => t >= at);
  if (upper <= 0) return (upper === 0 ? table[0]! : table[table.length - 1]!)[1];
  const [[t0, y0], [t1, y1]] = [table[upper - 1]!, table[upper]!];
  return y0 + ((y1 - y0) * (at - t0)) / (t1 - t0);
};

/** The standard within a quarter of what is shown, the nearest by ratio. */
function nearest(values: number[], shown: number): number | null {
  const best = values.reduce((a, b) => (Math.abs(Math.log(b / shown)) < Math.abs(Math.log(a / shown)) ? b : a));
  return shown > 0 && Math.abs(best / shown - 1) < 0.25 ? best : null;
}
