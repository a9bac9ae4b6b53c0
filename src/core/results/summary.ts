import type { Procedure } from '../procedure/procedure';
import type { VerdictState } from '../record/judgement';
import { measuredChannels, type RunState } from '../record/state';
import type { Judged, ResultLine } from './judged';
import { results } from './results';

export interface RunSummary {
  status: RunState['status'];
  asFound: VerdictState;
  asLeft: VerdictState;
  adjusted: boolean;
  lines: ResultLine[];
}

/** The table of results with what it amounts to: the figures that lists and histories show. */
export function summarise(procedure: Procedure, state: RunState): RunSummary {
  const lines = results({ procedure, state });
  const measured = measuredChannels(state);
  const whole =
    measured.length > 0 &&
    Object.keys(state.retired).length === 0 &&
    measured.every((channel) => lines.some((line) => line.channel === channel.id && line.left));
  return {
    status: state.status,
    adjusted:
      lines.some((line) => line.adjusted) ||
      state.adjustments.some((one) => !one.struck && one.action !== 'quick' && one.outcome !== 'discarded'),
    lines,
    asFound: overall(lines, 'found'),
    asLeft: whole ? overall(lines, 'left') : 'notMeasured',
  };
}

/**
 * What a side of the table amounts to: the worst of what was judged; "not measured" where anything asked for was not read or could not be judged, unless something was outside.
 * What never counts (a gate, a thing only watched) doesn't weigh here; the document names it among what the statement does not cover.
 */
export function overall(lines: ResultLine[], side: 'found' | 'left'): VerdictState {
  const verdicts = lines
    .filter((line) => line.status === 'fitted' && (side === 'left' ? line.asked.left || line.leftIsFound : line.asked.found))
    .flatMap((line) => weighed(line[side]));
  return worst(verdicts);
}

const weighed = (judged: Judged | null): VerdictState[] => {
  if (!judged) return ['notMeasured'];
  if (judged.verdict !== 'notJudged') return [judged.verdict];
  // Set aside with its reference, or not believed: it should have counted. Only watched, or a gate: it never would.
  return judged.counts || judged.why?.code === 'judged.referenceStruck' ? ['notMeasured'] : [];
};

const ORDER: VerdictState[] = ['outside', 'notMeasured', 'cannotTell', 'within'];

/** The worst of several verdicts; nothing measured is "not measured". */
export function worst(states: VerdictState[]): VerdictState {
  return ORDER.find((state) => states.includes(state)) ?? 'notMeasured';
}
