import type { Procedure } from '../procedure/procedure';
import { ROOM_QUANTITIES } from '../procedure/room-quantity';
import { Dec } from '../quantity/decimal';
import type { VerdictState } from '../record/judgement';
import { ROOM } from '../record/room';
import type { RecordedReading, RunState } from '../record/state';
import { judgeAtPoint } from '../run/judge-at-point';
import { resolveTarget } from '../run/resolve-target';
import { stateAt } from '../run/state-at';
import { isRefusal } from '../words/refusal';
import { judgedOf, type Judged, type ResultLine } from './judged';
import { results } from './results';
import { overall } from './summary';
import { asThought, type Doubt, type Suspicion } from './suspicion';

/** Figures and verdict of one side of a result, as printed. */
export type Figures = Pick<Judged, 'reference' | 'deviation' | 'expanded' | 'verdict'> & { limit: string | null };

/** One side of a result that rests on what is suspected: as it stands, and as it would stand. */
export interface JudgedAnew {
  channel: string;
  label: string;
  point: string;
  pointLabel: string;
  unit: string;
  side: 'found' | 'left';
  reading: string;
  was: Figures;
  /** Null: it can't be judged, for what is true is unknown. */
  would: Figures | null;
}

export interface RunJudgedAnew {
  results: JudgedAnew[];
  asFound: { was: VerdictState; would: VerdictState };
  asLeft: { was: VerdictState; would: VerdictState };
}

/** So far is equipment moved to see whether a result rests on it at all. */
const TRIAL = '5';

/**
 * Every result of a run that rests on a reference, judged anew with what is thought true of it, by the same rules, the same budget and the conditions of its own moment. Nothing is altered.
 * A result rests on a reference when its target does: the material it was compared with, the thermometer of a liquid, the barometer of a gas that is referred to the pressure of the place. Where nobody knows what is true, such a
 * result can't be judged. Errors: RangeError for a doubt that is no decimal.
 * Source: ISO/IEC 17025:2017, 7.10.1 c (evaluation of the significance of nonconforming work, including an impact analysis on previous results).
 *
 * @example
 * judgeAnew(procedure, state, { reference: 'b-1', doubts: [{ substance: 'H2S', kind: 'value', value: '22.0' }] }).results.length // 2
 */
export function judgeAnew(procedure: Procedure, state: RunState, suspicion: Suspicion): RunJudgedAnew {
  const lines = results({ procedure, state });
  const thought = withDoubts(state, suspicion.reference, suspicion.doubts);
  const unknown = suspicion.doubts.filter((one) => one.kind === 'unknown');
  const trial = unknown.length ? withDoubts(state, suspicion.reference, unknown.map(tried(state, suspicion.reference))) : null;
  const found: JudgedAnew[] = [];
  const anew = lines.map((line): ResultLine => {
    const next = { ...line };
    for (const side of ['found', 'left'] as const) {
      const judged = line[side];
      if (!judged || (side === 'left' && line.leftIsFound)) continue;
      const would = sideAnew(procedure, state, line, judged, thought, trial);
      if (!would) continue;
      const { channel, label, point, pointLabel, unit } = line;
      const text = judged.reading.text;
      found.push({ channel, label, point, pointLabel, unit, side, reading: text, was: figures(judged), would: would.now });
      next[side] = would.judged;
    }
    return next.leftIsFound ? { ...next, left: next.found } : next;
  });
  const both = (side: 'found' | 'left') => ({ was: overall(lines, side), would: overall(anew, side) });
  return { results: found, asFound: both('found'), asLeft: both('left') };
}

const figures = ({ reference, deviation, expanded, verdict, limits }: Judged): Figures => ({
  reference,
  deviation,
  expanded,
  verdict,
  limit: limits?.upper ?? null,
});

/** One side by what is thought; null where it doesn't rest on it. */
function sideAnew(
  procedure: Procedure,
  state: RunState,
  line: ResultLine,
  judged: Judged,
  thought: RunState,
  trial: RunState | null,
): { now: Figures | null; judged: Judged } | null {
  const reading = state.readings.find((one) => one.seq === judged.seq)!;
  const before = reading.target?.value;
  if (before === undefined) return null;
  const moment = { procedure, line, reading };
  const cannot = {
    now: null,
    judged: { ...judged, reference: null, deviation: null, verdict: 'notJudged' as const, counts: true },
  };
  // What it is compared with is worked out first: most results don't rest on it, and need no budget.
  if (trial && targetAnew(trial, moment) !== before && targetAnew(state, moment) !== null) return cannot;
  const context = contextOf(thought, moment);
  const target = resolveTarget(context);
  // Beyond what the reference serves for: with what is thought, nothing can be said of it.
  if (target === null || isRefusal(target)) return targetAnew(state, moment) === null ? null : cannot;
  if (target.value === before) return null;
  const { capture } = reading;
  const judgement = judgeAtPoint(reading.reading, target, { ...context, ...(capture ? { capture } : {}) });
  const anew = judgedOf({ ...reading, target, judgement });
  return { now: figures(anew), judged: anew };
}

interface Moment {
  procedure: Procedure;
  line: ResultLine;
  reading: RecordedReading;
}

const contextOf = (state: RunState, { procedure, line, reading }: Moment) => ({
  procedure,
  state: stateAt(state, reading),
  point: procedure.points.find((one) => one.id === line.point)!,
  channel: state.channels.find((one) => one.id === line.channel)!,
  inputs: reading.inputs,
});

/** What a reading is compared with in a state; null where that can't be worked out. */
function targetAnew(state: RunState, moment: Moment): string | null {
  const target = resolveTarget(contextOf(state, moment));
  return target === null || isRefusal(target) ? null : target.value;
}

/** The run with the reference as it is thought: in every slot it stood in, and in the room's conditions that it read. */
function withDoubts(state: RunState, reference: string, doubts: readonly Doubt[]): RunState {
  const bindings = state.bindings.map((one) =>
    one.reference.id === reference ? { ...one, reference: asThought(one.reference, doubts) } : one,
  );
  const ours = new Set(bindings.filter((one) => one.reference.id === reference).map((one) => one.seq));
  const conditions = state.conditions.map((one) => {
    const next = { ...one };
    for (const quantity of ROOM_QUANTITIES) {
      const doubt = doubts.find((each) => each.kind === 'shift' && each.substance === ROOM[quantity].substance);
      const by = one.by?.[quantity]?.binding;
      if (next[quantity] && doubt?.kind === 'shift' && by !== undefined && ours.has(by))
        next[quantity] = new Dec(next[quantity]).plus(doubt.value).toFixed();
    }
    return next;
  });
  return { ...state, bindings, conditions };
}

/** What is unknown, moved so far that whatever rests on it moves. */
const tried =
  (state: RunState, reference: string) =>
  (doubt: Doubt): Doubt => {
    if (doubt.kind !== 'unknown') return doubt;
    const bound = state.bindings.find((one) => one.reference.id === reference)?.reference;
    const component = bound?.components.find((one) => one.substance === doubt.substance);
    return bound?.kind === 'tool' || !component
      ? { substance: doubt.substance, kind: 'shift', value: TRIAL }
      : { substance: doubt.substance, kind: 'value', value: new Dec(component.value).times('1.05').toFixed() };
  };
