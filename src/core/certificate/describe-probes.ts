import type { Procedure } from '../procedure/procedure';
import { probeResults } from '../probe/probe-result';
import { measurandOf } from '../measurand';
import type { RunState } from '../record/state';
import { say, type Language, type Numbers, type WordCode } from '../words/say';
import '@/core/words/en/document';

/** What is stated of the probes: slope, offset, cell constant, and the rules by which the meter computes what it shows. */
export function describeProbes(
  procedure: Procedure,
  state: RunState,
  language: Language = 'en',
): { label: string; lines: string[] }[] {
  const w = (code: Extract<WordCode, `probe.${string}`>, numbers: Numbers = {}) => say({ code, numbers }, language);
  const results = probeResults({ procedure, state });
  return state.channels.flatMap((channel) => {
    const result = results.find((one) => one.channel === channel.id);
    const lines = [
      ...(result?.segments ?? []).map((one) =>
        w('probe.slope', {
          slope: one.slopePercent.toFixed(1),
          perPH: one.slopeMvPerPH.toFixed(2),
          from: one.fromPH.toFixed(2),
          to: one.toPH.toFixed(2),
        }),
      ),
      result?.kind === 'pH' && result.segments.length === 0 && result.offsetMv !== null ? w('probe.oneBuffer') : '',
      result?.kind === 'pH' && result.segments.length === 0 && result.slopePercent !== null
        ? w('probe.slopeRead', { slope: result.slopePercent })
        : '',
      result && result.offsetMv !== null
        ? w(result.kind === 'pH' ? 'probe.offsetAt7' : 'probe.offset', { offset: minus(result.offsetMv.toFixed(1)) })
        : '',
      result && result.mvPerDecade !== null
        ? w('probe.decade', { slope: minus(result.mvPerDecade.toFixed(1)), percent: result.slopePercent!.toFixed(1) })
        : '',
      result && result.cellConstant !== null ? w('probe.cell', { cell: result.cellConstant }) : '',
      result && result.responseSeconds !== null ? w('probe.response', { seconds: Math.round(result.responseSeconds) }) : '',
      ...(channel.scale ? [] : (measurandOf(channel.measurand).describe?.(channel) ?? []).map((fact) => say(fact, language))),
    ].filter(Boolean);
    return lines.length ? [{ label: channel.label, lines }] : [];
  });
}

const minus = (text: string) => text.replace('-', '−');
