import { fitElectrode } from '../ph/fit-electrode';
import { probeKind } from '../probe/probe-kind';
import type { Procedure } from '../procedure/procedure';
import { answersAbout } from '../record/answer-about';
import type { RunChannel } from '../record/event';
import { isStruck, standingReading, type RecordedReading, type RunState } from '../record/state';
import type { Dip, WaterFacts } from './causes/probe-facts';

const DAYS_A_MONTH = 30.44;
const DAY_MS = 86_400_000;

/** What only a live line knows. */
export interface LiveWaterFacts {
  minutesOn?: number | null;
  /** In the channel's unit a minute. */
  driftPerMinute?: number | null;
}

/**
 * What a run measured on one probe, as the diagnosis wants it: the last readings of one phase, what the thermometer said, how still it was.
 * Null for a channel that is no probe in water, or was not read. Errors: none.
 */
export function waterFactsOf({
  procedure,
  state,
  channel,
  live = {},
}: {
  procedure: Procedure;
  state: RunState;
  channel: RunChannel;
  live?: LiveWaterFacts;
}): WaterFacts | null {
  const kind = probeKind(channel.measurand);
  if (!kind) return null;
  const readings = lastPhase(state, channel.id);
  if (readings.length === 0) return null;
  // Two ranges of one meter look at the same cell: weak and strong standards together tell more.
  const sisters =
    kind === 'conductivity' ? state.channels.filter((one) => one.measurand === channel.measurand && one !== channel) : [];
  const dips = [
    ...sisters.flatMap((one) => lastPhase(state, one.id).map((reading) => dipOf(reading, state))),
    ...readings.map((one) => dipOf(one, state)),
  ];
  const electrode = kind === 'pH' ? electrodeOf(dips) : null;
  const temperature = state.channels.find((one) => one.measurand === 'temperature');
  const checked = temperature ? standingReading(state, { channel: temperature.id, phase: 'asFound' }) : null;
  const tolerance = dips.at(-1)!.tolerance;
  return {
    measurand: channel.measurand,
    label: channel.label,
    dips,
    ...(electrode
      ? {
          slopePercent: electrode.segments.length ? Math.min(...electrode.segments.map((one) => one.slopePercent)) : null,
          segmentSlopes: electrode.segments.map((one) => one.slopePercent),
          offsetMv: electrode.offsetMv,
        }
      : {}),
    temperatureErrorC: checked?.judgement.error ? Number(checked.judgement.error) : null,
    roomC: numberOr(state.conditions.filter((one) => one.temperatureC).at(-1)?.temperatureC),
    storedDry: answersAbout(procedure, state, 'cameDry').some((answer) => answer.value === 'yes'),
    ...(live.minutesOn === undefined ? {} : { minutesOn: live.minutesOn }),
    ...driftOf(dips, typeof live.driftPerMinute === 'number' && tolerance > 0 ? live.driftPerMinute / tolerance : null),
  };
}

/** The strongest drift that was seen, at a dip or on the line now. */
function driftOf(dips: Dip[], live: number | null): { driftPerMinute?: number } {
  const all = [live, ...dips.map((dip) => dip.driftPerMinute)].filter((one): one is number => typeof one === 'number');
  const most = all.sort((a, b) => Math.abs(b) - Math.abs(a))[0];
  return most === undefined ? {} : { driftPerMinute: most };
}

const numberOr = (text: string | undefined) => (text === undefined ? null : Number(text));

/** The readings of the latest phase in which more than one point, or all there are, were read; the last one a point. */
function lastPhase(state: RunState, channel: string): RecordedReading[] {
  const all = state.readings.filter(
    (one) =>
      one.channel === channel && !isStruck(one) && one.target !== null && one.reading.status === 'value' && one.phase !== 'check',
  );
  const phases = (['asLeft', 'asFound'] as const).map((phase) => {
    const byPoint = new Map(all.filter((one) => one.phase === phase).map((one) => [one.point, one]));
    return [...byPoint.values()];
  });
  const [left, found] = [phases[0]!, phases[1]!];
  return left.length >= found.length && left.length > 0 ? left : found.length ? found : all.slice(-1);
}

function dipOf(one: RecordedReading, state: RunState): Dip {
  const scale = one.reading.unit === 'mS/cm' ? 1000 : 1;
  const tolerance = Number(one.judgement.upper ?? 0) * scale;
  const reference = state.bindings.find((binding) => binding.seq === one.target!.binding)?.reference;
  return {
    value: Number(one.target!.value) * scale,
    shown: Number(one.reading.text) * scale,
    tolerance,
    millivolts: numberOr(one.inputs.millivolts),
    temperatureC: numberOr(one.inputs.temperatureC),
    t90Seconds: one.capture?.t90Seconds ?? null,
    driftPerMinute: one.capture?.perMinute && tolerance > 0 ? (Number(one.capture.perMinute) * scale) / tolerance : null,
    unrest: one.capture && tolerance > 0 ? (Number(one.capture.spread) * scale) / 2 / tolerance : null,
    openedMonths: reference?.openedOn ? (Date.parse(one.at) - Date.parse(reference.openedOn)) / DAY_MS / DAYS_A_MONTH : null,
  };
}

/** The line through the dips with millivolts; alike or impossible ones say nothing. */
function electrodeOf(dips: Dip[]) {
  const known = dips.filter((dip) => typeof dip.millivolts === 'number' && typeof dip.temperatureC === 'number');
  const different = known.filter((dip, index) => known.findIndex((other) => other.value === dip.value) === index);
  if (different.length === 0) return null;
  return fitElectrode({
    points: different.map((dip) => ({ pH: dip.value, millivolts: dip.millivolts!, temperatureC: dip.temperatureC! })),
  });
}
