import { differenceInDays, parseISO } from 'date-fns';
import type { BenchFacts, ChannelFacts } from '@/core/diagnosis/facts';
import type { RunChannel } from '@/core/record/event';
import { answerAbout } from '@/core/record/answer-about';
import { traitsOf, type RunState } from '@/core/record/state';
import { lastAt, mainPoint, zeroPoint } from '../main-point';
import { slotOf } from '../live/live-rules';
import { lookOf, type Sheet } from '../sheet';
import { spanValuesOf } from '../steps/span-values';
import { suggestAnswers } from '../steps/suggest-answers';

const DAYS_A_MONTH = 30.44;

/** What was measured in this run and on its line, as the diagnosis wants it. What is not known is left out. */
export function diagnosisFacts(sheet: Sheet): BenchFacts {
  const { run, view, live } = sheet;
  const { state } = run;
  const binding = state.bindings.filter((one) => !one.released && !one.struck && one.reference.kind === 'gas').at(-1);
  const regulator = view.shelf.find((one) => one.id === binding?.regulator?.id);
  const needs = view.procedure.slots.flatMap((slot) => (Array.isArray(slot.needs) ? slot.needs : []));
  const clock = clockOff(sheet);
  return {
    channels: state.channels.filter((one) => one.status === 'fitted').map((channel) => channelFacts(sheet, channel)),
    pumped: traitsOf(state).pumped ?? false,
    ...(live.frame ? { pump: live.blockedInGas ? 'blocked' : live.frame.pump } : {}),
    regulator: regulator ? (regulator.detail?.demand ? 'demand' : 'fixed') : null,
    bottleMonthsLeft: binding?.reference.expires
      ? differenceInDays(parseISO(binding.reference.expires), parseISO(view.today)) / DAYS_A_MONTH
      : null,
    ...(typeof sheet.flow === 'number' && binding?.flowLPerMin
      ? { flowMeasured: sheet.flow, flowMeant: Number(binding.flowLPerMin) }
      : {}),
    saveLost: state.saves.at(-1)?.outcome === 'lost' || lostByLine(sheet),
    ...(state.bumps.at(-1) && state.bumps.at(-1)!.method !== 'timed' ? { outputs: state.bumps.at(-1)!.outputs } : {}),
    ...(clock === null ? {} : { clockOffSeconds: clock }),
    zeroMeans: needs.includes('CO2 scrubber') ? 'scrubber' : needs.includes('charcoal') ? 'zeroTube' : 'cleanAir',
  };
}

function lostByLine({ live, run }: Sheet): boolean {
  const adjusted = run.state.adjustments.filter((one) => !one.struck).at(-1)?.at;
  return (
    adjusted !== undefined &&
    live.notices.filter((one) => one.at >= adjusted && /^save/.test(one.notice)).at(-1)?.notice === 'saveLost'
  );
}

/** How far the instrument's clock runs ahead: as answered, or as it says itself. */
function clockOff({ run, view }: Sheet): number | null {
  const answered = answerAbout(view.procedure, run.state, 'clock');
  if (answered) return Number(answered.value);
  const read = suggestAnswers([{ id: 'clock', label: '', answer: 'number', about: 'clock' }], view.line).clock;
  return read === undefined ? null : Number(read);
}

function channelFacts(sheet: Sheet, channel: RunChannel): ChannelFacts {
  const { run, view } = sheet;
  const { state } = run;
  const look = lookOf(sheet, channel.id);
  const slot = slotOf(view.match, channel.id);
  const info = view.line?.hello?.channels.find((one) => one.slot === slot);
  const absent = view.line?.hello?.channels.find((one) => one.measurand === channel.measurand)?.fitted === false;
  const target = Number(spanValuesOf(view.procedure, state)[channel.id] ?? NaN);
  const rest = Number(channel.cleanAir ?? 0);
  const taken = lastGasReading(view.procedure, state, channel);
  const live = look && look.secondsOfGas !== null && look.secondsOfGas >= 25 && look.status === 'value' ? look : undefined;
  const shown = live ? Number(live.text) : taken ? Number(taken.reading.text) : null;
  const raw = Number(live?.raw ?? taken?.capture?.raw ?? NaN);
  const health =
    info?.rawPerUnitNew && info.rawAtZeroNew && Number.isFinite(raw) && Number.isFinite(target)
      ? (raw - Number(info.rawAtZeroNew)) / (Number(info.rawPerUnitNew) * target)
      : historyHealth(sheet, channel.id, raw);
  const zero = lastAt(state, channel, zeroPoint(view.procedure, channel));
  const limit = Number(zero?.judgement.upper ?? 0);
  const installed = view.raw.installedOn[channel.id];
  const share = shown === null || !Number.isFinite(target) || target === rest ? null : (shown - rest) / (target - rest);
  return {
    channel: channel.id,
    label: channel.label,
    measurand: channel.measurand,
    ...(channel.principle ? { principle: channel.principle } : {}),
    share,
    t90Seconds: live?.t90Seconds ?? taken?.capture?.t90Seconds ?? null,
    zeroInTolerances: zero?.counts && zero.judgement.error !== null && limit > 0 ? Number(zero.judgement.error) / limit : null,
    health,
    ageMonths: installed ? differenceInDays(parseISO(view.today), parseISO(installed)) / DAYS_A_MONTH : null,
    shows: absent ? 'fault' : (look?.status ?? 'value'),
  };
}

/** The last reading in gas of any phase that nobody struck. */
function lastGasReading(procedure: Sheet['view']['procedure'], state: RunState, channel: RunChannel) {
  const point = mainPoint(procedure, channel);
  return state.readings
    .filter(
      (one) => one.channel === channel.id && one.point === point && one.flags.length === 0 && one.reading.status === 'value',
    )
    .at(-1);
}

/** Raw output now against the first of this sensor, where the instrument keeps no figure of its own. */
function historyHealth({ view }: Sheet, channel: string, now: number): number | null {
  const first = Number(view.raw.outputs[channel]?.[0]?.raw ?? NaN);
  return Number.isFinite(first) && first !== 0 && Number.isFinite(now) ? now / first : null;
}
