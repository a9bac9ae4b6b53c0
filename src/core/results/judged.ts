import type { MeasurandId } from '../quantity/unit';
import type { Reading } from '../quantity/reading';
import type { RunChannel } from '../record/event';
import type { RecordedReading } from '../record/state';
import type { Component } from '../uncertainty/component';
import type { DecisionRule } from '../uncertainty/decide';
import type { Fact } from '../words/say';

export type Verdict = 'within' | 'outside' | 'cannotTell' | 'notJudged';

/** One reading with all it was judged by, from its own event and nothing else. Figures as printed. */
export interface Judged {
  seq: number;
  at: string;
  reading: Reading;
  reference: string | null;
  /** The binding of the material or instrument it was compared with; null for air. */
  binding: number | null;
  air: 'clean' | 'filtered' | 'saturated' | null;
  basis: string;
  inputs: Record<string, string>;
  deviation: string | null;
  limits: { lower: string; upper: string } | null;
  budget: Component[];
  standard: number | null;
  effectiveDof: number | null;
  k: number | null;
  kReason: Fact | null;
  coverage: number;
  expanded: string | null;
  rule: DecisionRule;
  verdict: Verdict;
  why: Fact | null;
  /** Not in the scope that the workshop states. */
  outsideScope: boolean;
  /** Whether it speaks for the instrument: not what was only watched, set aside or a gate. */
  counts: boolean;
}

/** A point of a channel: as found and as left side by side, each with its own reference, limits and uncertainty. */
export interface ResultLine {
  channel: string;
  role: string;
  label: string;
  measurand: MeasurandId;
  point: string;
  pointLabel: string;
  unit: string;
  status: RunChannel['status'];
  /** Whether the procedure asked for it in this run. */
  asked: { found: boolean; left: boolean };
  found: Judged | null;
  left: Judged | null;
  adjusted: boolean;
  /** As left was not read because nothing was adjusted: as found stands for both. */
  leftIsFound: boolean;
  retired: 'service' | 'outOfService' | null;
  notes: Fact[];
}

const NEVER_COUNTS = new Set(['gate', 'watched', 'moved', 'notMoved']);

/** A recorded reading as a result: one whose reference was struck out keeps its text and nothing that rested on the reference. */
export function judgedOf(reading: RecordedReading): Judged {
  const { judgement, target } = reading;
  const lost = reading.flags.find((flag) => flag.code === 'referenceStruck');
  const counts = reading.counts && !lost && !NEVER_COUNTS.has(judgement.code);
  const judged = counts && judgement.state !== 'notMeasured';
  const why: Fact | null = lost
    ? { code: 'judged.referenceStruck', numbers: { reason: lost.reason } }
    : reading.remark
      ? { code: 'judged.remark', numbers: { remark: reading.remark } }
      : (judgement.why ?? plainReason(judgement.code));
  const figures = lost || !reading.counts ? null : judgement;
  return {
    seq: reading.seq,
    at: reading.takenAt ?? reading.at,
    reading: reading.reading,
    reference: lost ? null : judgement.reference,
    binding: lost ? null : (target?.binding ?? null),
    air: target?.air ?? null,
    basis: target?.sentence ?? '',
    inputs: { ...target?.inputs, ...computedFrom(reading.inputs) },
    deviation: figures?.error ?? null,
    limits:
      typeof figures?.lower === 'string' && typeof figures.upper === 'string'
        ? { lower: figures.lower, upper: figures.upper }
        : null,
    budget: figures?.budget ?? [],
    standard: figures?.standard ?? null,
    effectiveDof: figures?.effectiveDof ?? null,
    k: figures?.k ?? null,
    kReason: figures?.kReason ?? null,
    coverage: judgement.coverage,
    expanded: figures?.expanded ?? null,
    rule: judgement.rule,
    verdict: judged ? (judgement.state as Verdict) : 'notJudged',
    why: judged && judgement.code !== 'caution' && judgement.code !== 'over' && judgement.code !== 'under' ? null : why,
    outsideScope: figures?.outsideScope ?? false,
    counts,
  };
}

/** What an as-found figure was worked out from, where it was not read. */
const COMPUTED_FROM = ['computed', 'millivolts', 'slopePercent', 'offsetMv', 'shown', 'cellChange'];
const computedFrom = (inputs: Record<string, string>) =>
  inputs.computed ? Object.fromEntries(COMPUTED_FROM.flatMap((name) => (inputs[name] ? [[name, inputs[name]]] : []))) : {};

const plainReason = (code: string): Fact | null =>
  code === 'over' || code === 'under' || code === 'fault' ? { code: `judged.${code}` } : null;
