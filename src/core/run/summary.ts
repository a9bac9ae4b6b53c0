import { measuredChannels, standingReading, wasAdjusted, type RecordedReading, type RunState } from './state';
import type { Procedure } from '../procedure/procedure';
import type { VerdictState } from './judge';

export interface ChannelResult {
  channel: string;
  role: string;
  label: string;
  unit: string;
  point: string;
  target: string | null;
  asFound: { text: string; error: string | null; state: VerdictState } | null;
  asLeft: { text: string; error: string | null; expanded: string | null; state: VerdictState } | null;
  adjusted: boolean;
  /** As-left was not read because nothing was adjusted: as found stands for both. */
  asLeftIsAsFound: boolean;
}

export interface RunSummary {
  status: RunState['status'];
  asFound: VerdictState;
  asLeft: VerdictState;
  adjusted: boolean;
  results: ChannelResult[];
}

/** The figures that lists and histories show, one row a channel and point; worked out in the same transaction as the events. */
export function summarise(procedure: Procedure, state: RunState): RunSummary {
  const results = procedure.points.flatMap((point) =>
    state.channels
      .filter((channel) => point.channels.includes(channel.role))
      .map((channel): ChannelResult | null => {
        const found = standingReading(state, { point: point.id, channel: channel.id, phase: 'asFound' });
        const left = standingReading(state, { point: point.id, channel: channel.id, phase: 'asLeft' });
        const adjusted = wasAdjusted(state, channel.id);
        if (!found && !left) return null;
        const asLeftIsAsFound = !left && !adjusted && found !== null && found.counts;
        const standing = left ?? (asLeftIsAsFound ? found : null);
        return {
          channel: channel.id,
          role: channel.role,
          label: channel.label,
          unit: channel.unit,
          point: point.id,
          target: (standing ?? found)?.target?.value ?? null,
          asFound:
            found && found.counts ? { text: found.reading.text, error: found.judgement.error, state: trusted(found) } : null,
          asLeft: standing
            ? {
                text: standing.reading.text,
                error: standing.judgement.error,
                expanded: standing.judgement.expanded,
                state: trusted(standing),
              }
            : null,
          adjusted,
          asLeftIsAsFound,
        };
      })
      .filter((result): result is ChannelResult => result !== null),
  );
  return {
    status: state.status,
    adjusted: wasAdjusted(state),
    results,
    asFound: worst(results.flatMap((result) => result.asFound?.state ?? [])),
    asLeft: allMeasured(state, results) ? worst(results.map((result) => result.asLeft?.state ?? 'notMeasured')) : 'notMeasured',
  };
}

/** A reading whose reference was struck out is no longer believed. */
function trusted(reading: RecordedReading): VerdictState {
  return reading.flags.some((flag) => flag.code === 'referenceStruck') ? 'notMeasured' : reading.judgement.state;
}

function allMeasured(state: RunState, results: ChannelResult[]): boolean {
  const measured = measuredChannels(state);
  const given = Object.keys(state.retired).length;
  return (
    measured.length > 0 &&
    given === 0 &&
    measured.every((channel) => results.some((result) => result.channel === channel.id && result.asLeft))
  );
}

const ORDER: VerdictState[] = ['outside', 'notMeasured', 'cannotTell', 'within'];

/** The worst of several verdicts; nothing measured is "not measured". */
export function worst(states: VerdictState[]): VerdictState {
  return ORDER.find((state) => states.includes(state)) ?? 'notMeasured';
}
