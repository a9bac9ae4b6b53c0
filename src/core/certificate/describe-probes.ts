import type { Procedure } from '../procedure/procedure';
import { probeResults } from '../probe/probe-result';
import type { RunChannel } from '../run/event';
import type { RunState } from '../run/state';

/** What is stated of the probes: slope, offset, cell constant, and the rules by which the meter computes what it shows. */
export function describeProbes(procedure: Procedure, state: RunState): { label: string; lines: string[] }[] {
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
      ...rules(channel),
    ].filter(Boolean);
    return lines.length ? [{ label: channel.label, lines }] : [];
  });
}

/** Temperature compensation, dissolved solids, what 100 % of oxygen is, the reference electrode. */
function rules({ measurand, water }: RunChannel): string[] {
  const { compensation, solids, saturation, referenceElectrode } = water ?? {};
  return [
    compensation
      ? `referred to ${compensation.referenceC} °C ${compensation.percentPerC ? `by ${compensation.percentPerC} %/°C, linear` : 'by the meter’s own curve'}`
      : measurand === 'conductivity'
        ? 'without temperature compensation'
        : '',
    solids ? `dissolved solids by ${'factor' in solids ? `the factor ${solids.factor}` : 'the mixed-salt curve'}` : '',
    saturation
      ? `100 % is saturation ${saturation === 'local' ? 'at the air pressure of the place' : 'at 1 atm (1013.25 hPa)'}`
      : '',
    referenceElectrode ? `stated against ${referenceElectrode}` : '',
  ].filter(Boolean);
}

const minus = (text: string) => text.replace('-', '−');
