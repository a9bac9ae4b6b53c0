import type { Procedure } from '../procedure/procedure';
import { probeResults } from '../probe/probe-result';
import { measurandOf } from '../measurand';
import type { RunState } from '../record/state';
import { say, type Language } from '../words/say';

/** What is stated of the probes: slope, offset, cell constant, and the rules by which the meter computes what it shows. */
export function describeProbes(
  procedure: Procedure,
  state: RunState,
  language: Language = 'en',
): { label: string; lines: string[] }[] {
  const results = probeResults({ procedure, state });
  return state.channels.flatMap((channel) => {
    const result = results.find((one) => one.channel === channel.id);
    const lines = [
      ...(result?.segments ?? []).map(
        (one) =>
          `slope ${one.slopePercent.toFixed(1)} % (${one.slopeMvPerPH.toFixed(2)} mV a pH) between pH ${one.fromPH.toFixed(2)} and ${one.toPH.toFixed(2)}`,
      ),
      result?.kind === 'pH' && result.segments.length === 0 && result.offsetMv !== null
        ? 'one buffer: no slope was measured'
        : '',
      result?.kind === 'pH' && result.segments.length === 0 && result.slopePercent !== null
        ? `slope ${result.slopePercent} % as read back from the meter`
        : '',
      result && result.offsetMv !== null
        ? `offset ${minus(result.offsetMv.toFixed(1))} mV${result.kind === 'pH' ? ' at pH 7' : ''}`
        : '',
      result && result.mvPerDecade !== null
        ? `slope ${minus(result.mvPerDecade.toFixed(1))} mV a decade (${result.slopePercent!.toFixed(1)} % of theory)`
        : '',
      result && result.cellConstant !== null ? `cell constant ${result.cellConstant} 1/cm as read back from the meter` : '',
      result && result.responseSeconds !== null ? `response ${Math.round(result.responseSeconds)} s` : '',
      ...(channel.scale ? [] : (measurandOf(channel.measurand).describe?.(channel) ?? []).map((fact) => say(fact, language))),
    ].filter(Boolean);
    return lines.length ? [{ label: channel.label, lines }] : [];
  });
}

const minus = (text: string) => text.replace('-', '−');
