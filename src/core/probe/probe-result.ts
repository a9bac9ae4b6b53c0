import { electrodeThrough, onePerPoint } from '../run/electrode-through';
import type { ElectrodeSegment } from '../ph/fit-electrode';
import { nernstSlope } from '../ph/nernst-slope';
import { probeKind } from './probe-kind';
import type { ProbeKind } from '../measurand/measurand';
import type { CheckItem, Procedure, Step } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { ownId, stepPath } from '../record/step-key';
import {
  calibrationReadings,
  isStruck,
  measuredChannels,
  standingReading,
  type RecordedReading,
  type RunState,
} from '../record/state';

export type { ProbeKind } from '../measurand/measurand';

export interface ProbePoint {
  /** Value of the buffer or standard in the channel's unit. */
  value: number;
  shown: string;
  millivolts?: number;
  temperatureC?: number;
  label: string;
}

/** What one calibration says of a probe. Slopes in %, offset in mV (pH: at pH 7), cell constant in 1/cm, response in s. */
export interface ProbeResult {
  channel: string;
  label: string;
  kind: ProbeKind;
  unit: string;
  points: ProbePoint[];
  segments: ElectrodeSegment[];
  /** pH: the lowest segment, % of Nernst. Oxygen: sensitivity, % of new. Ion: % of Nernst a decade. Conductivity: what it showed of the standard as found, %. */
  slopePercent: number | null;
  offsetMv: number | null;
  cellConstant: number | null;
  /** Ion-selective: mV a decade. */
  mvPerDecade: number | null;
  responseSeconds: number | null;
  /** Care actions of this run: they begin a new series. */
  care: string[];
}

/**
 * What a run says of each probe in it: electrode line from the millivolts in the buffers, cell constant and slopes as read back, response time off the line.
 * Points are the readings of the calibration itself, else those as left, else those as found. Errors: none; what was not measured is null.
 * Source: Nernst equation (`fitElectrode`); slope a decade = ln10·R·T/(zF).
 *
 * @example
 * probeResults({ procedure: family11, state })[0].slopePercent // 97.4
 */
export function probeResults({ procedure, state }: { procedure: Procedure; state: RunState }): ProbeResult[] {
  return measuredChannels(state).flatMap((channel) => {
    const kind = probeKind(channel.measurand);
    return kind ? [probeResult(procedure, state, channel, kind)] : [];
  });
}

function probeResult(procedure: Procedure, state: RunState, channel: RunChannel, kind: ProbeKind): ProbeResult {
  const readings = readingsFor(state, channel);
  const points = onePerPoint(readings).map((one) => toPoint(procedure, one));
  const withMv = points.filter((one) => one.millivolts !== undefined && one.temperatureC !== undefined);
  const electrode = kind === 'pH' ? electrodeThrough(readings) : null;
  const ion = kind === 'ion' && withMv.length >= 2 ? decade(withMv, Number(channel.water?.charge ?? 1)) : null;
  const times = state.readings
    .filter((one) => one.channel === channel.id && !isStruck(one))
    .flatMap((one) => one.capture?.t90Seconds ?? []);
  return {
    channel: channel.id,
    label: channel.label,
    kind,
    unit: channel.unit,
    points,
    segments: electrode?.segments ?? [],
    slopePercent: electrode
      ? lowest(electrode.segments.map((one) => one.slopePercent))
      : (ion?.percent ?? answered(procedure, state, channel, kind, 'slope') ?? shareFound(state, channel, kind)),
    offsetMv: electrode?.offsetMv ?? answered(procedure, state, channel, kind, 'offset'),
    cellConstant: answered(procedure, state, channel, kind, 'cellConstant'),
    mvPerDecade: ion?.mvPerDecade ?? null,
    responseSeconds: times.length ? Math.max(...times) : answered(procedure, state, channel, kind, 'response'),
    care: state.cares.flatMap((one) => (one.resets.includes(channel.role) ? [one.action] : [])),
  };
}

const lowest = (values: number[]) => (values.length ? Math.min(...values) : null);

/** The readings that speak for a probe: those of the calibration, else as left, else as found. */
function readingsFor(state: RunState, channel: RunChannel): RecordedReading[] {
  const of = (phase: string) =>
    state.readings.filter((one) => one.channel === channel.id && one.phase === phase && !isStruck(one));
  const lists = [calibrationReadings(state, channel), of('asLeft'), of('asFound')];
  return lists.find((list) => list.some((one) => one.target)) ?? [];
}

const toPoint = (procedure: Procedure, one: RecordedReading): ProbePoint => ({
  value: Number(one.target!.value),
  shown: one.reading.text,
  label: one.target!.inputs.buffer ?? procedure.points.find((point) => point.id === one.point)?.label ?? one.point,
  ...numberOf('millivolts', one.inputs.millivolts),
  ...numberOf('temperatureC', one.inputs.temperatureC),
});

function numberOf<Name extends string>(name: Name, text: string | undefined): { [key in Name]?: number } {
  return text !== undefined && Number.isFinite(Number(text)) ? ({ [name]: Number(text) } as { [key in Name]?: number }) : {};
}

/** Slope a decade between the outermost standards, and its share of the theoretical one. */
function decade(points: ProbePoint[], charge: number): { mvPerDecade: number; percent: number } | null {
  const sorted = [...points].filter((one) => one.value > 0).sort((a, b) => a.value - b.value);
  const [low, high] = [sorted[0], sorted.at(-1)];
  if (!low || !high || low.value === high.value || charge === 0) return null;
  const mvPerDecade = (high.millivolts! - low.millivolts!) / Math.log10(high.value / low.value);
  const theory = nernstSlope({ temperatureC: (low.temperatureC! + high.temperatureC!) / 2 }) / charge;
  return { mvPerDecade, percent: (mvPerDecade / theory) * 100 };
}

type Figure = NonNullable<CheckItem['reads']>['figure'];
/** Where a procedure from before figures were marked says it by an item's name, and of which kinds of probe it can be. */
const UNMARKED: Record<Figure, { item: string; kinds: ProbeKind[] }> = {
  slope: { item: 'slope', kinds: ['pH', 'ion', 'oxygen'] },
  offset: { item: 'offset', kinds: ['pH', 'ion'] },
  cellConstant: { item: 'cell-constant', kinds: ['conductivity'] },
  response: { item: 'response', kinds: ['pH', 'ion'] },
};

/** A figure read back from the meter: an item of the procedure that reads it for this channel, the last answer. */
function answered(procedure: Procedure, state: RunState, channel: RunChannel, kind: ProbeKind, figure: Figure): number | null {
  const { marked, keys } = readBackItems(procedure, figure, channel.role);
  const { item, kinds } = UNMARKED[figure];
  const text = Object.entries(state.answers).findLast(([key]) => {
    return marked ? keys.has(stepPath(key)) : kinds.includes(kind) && ownId(key) === item;
  })?.[1].value;
  return text !== undefined && text !== 'none' && Number.isFinite(Number(text)) ? Number(text) : null;
}

/** Items that read a figure back for a channel; `marked`: the procedure marks such items at all. */
function readBackItems(procedure: Procedure, figure: Figure, role: string): { marked: boolean; keys: Set<string> } {
  const keys = new Set<string>();
  let marked = false;
  const visit = (steps: Step[], prefix: string): void =>
    steps.forEach((step) => {
      if (step.kind === 'group') visit(step.steps, `${prefix}${step.id}/`);
      if (step.kind !== 'check') return;
      for (const { id, reads } of step.items) {
        if (reads) marked = true;
        if (reads?.figure === figure && reads.role === role) keys.add(`${prefix}${step.id}/${id}`);
      }
    });
  visit(procedure.steps, '');
  return { marked, keys };
}

/** What a cell or oxygen probe showed of the standard before it was touched: 100 % is as it was left last time. */
function shareFound(state: RunState, channel: RunChannel, kind: ProbeKind): number | null {
  if (kind !== 'conductivity' && kind !== 'oxygen') return null;
  const found = standingReading(state, { channel: channel.id, phase: 'asFound' });
  const target = Number(found?.target?.value ?? 0);
  return found && found.reading.status === 'value' && target > 0 ? (Number(found.reading.text) / target) * 100 : null;
}
