import type { Facts } from '../live/said';
import type { Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { RunState } from '../record/state';
import { walkReading } from '../walk/walk-reading';
import { effectsOn, faultOf, type Hidden } from './fault';

/** A slope that a good electrode has at 25 °C, mV a pH step (Nernst). */
export const SLOPE_MV = 59.16;
/** What a sound electrode says of itself: slope, % of Nernst, and seconds to a still reading; and what its own counter has left (common practice). */
const GOOD_SLOPE = 98;
const GOOD_RESPONSE = 20;
const OWN_COUNTER_DAYS = 30;

interface Told {
  procedure: Procedure;
  state: RunState;
  hidden: readonly Hidden[];
  /** The day of its last calibration, as its menu has it. */
  lastCalibration: string | null;
  now: Date;
}

/** What the menu of an instrument of practice shows: clock, last calibration, stored values of the gas that it is for, and what its probe makes of itself, with the faults that an exercise hides in it. */
export function practiceFacts({ procedure, state, hidden, lastCalibration, now }: Told): Facts {
  const ahead = hidden.reduce((sum, { fault }) => sum + (faultOf(fault).effect.clockAheadSeconds ?? 0), 0);
  return {
    type: 'facts',
    clock: new Date(now.getTime() + ahead * 1000).toISOString(),
    ...(lastCalibration ? { lastCalibration } : {}),
    dueInDays: OWN_COUNTER_DAYS,
    peaks: state.channels.map((one, index) => ({ slot: index + 1, peak: one.cleanAir ?? '0' })),
    spanValues: state.channels.flatMap((one, index) => {
      const point = procedure.points.find(
        ({ target, channels }) => channels.includes(one.role) && target.kind === 'material' && target.component === 'channelGas',
      );
      const text = point && walkReading({ procedure, state, point, channel: one }, 'good')?.text;
      return text === undefined ? [] : [{ slot: index + 1, value: text }];
    }),
    probe: probeSays(state, hidden),
  };
}

function probeSays(state: RunState, hidden: readonly Hidden[]): NonNullable<Facts['probe']> {
  const probe = (measurands: readonly string[]) => state.channels.find((one) => measurands.includes(one.measurand));
  const [glass, cell] = [probe(['pH']), probe(['conductivity'])];
  const of = (channel: RunChannel | undefined) => (channel ? effectsOn(hidden, channel.id) : []);
  const gainOf = (channel: RunChannel | undefined) => of(channel).reduce((share, one) => share * (one.gain ?? 1), 1);
  const shift = of(glass).reduce((sum, one) => sum + (one.shift ?? 0), 0) * Number(glass?.tolerance.absolute ?? '0.1');
  const slower = of(glass).reduce((times, one) => times * (one.slower ?? 1), 1);
  return {
    serial: 'PRACTICE',
    ...(glass
      ? {
          slopePercent: (GOOD_SLOPE * gainOf(glass)).toFixed(1),
          offsetMv: (-SLOPE_MV * shift).toFixed(1),
          responseSeconds: String(Math.round(GOOD_RESPONSE * slower)),
        }
      : {}),
    ...(cell ? { cellConstant: (1 / gainOf(cell)).toFixed(3) } : {}),
  };
}
