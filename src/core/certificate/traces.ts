import type { Procedure } from '../procedure/procedure';
import { plan } from '../run/plan';
import { readPairs } from '../run/read-pairs';
import type { RunState } from '../record/state';
import type { CertificateVersion2 } from './version-2';

/** The raw traces that stand behind readings, by the hash under which they are kept. */
export function tracesOf(procedure: Procedure, state: RunState): CertificateVersion2['traces'] {
  return plan(procedure, state).flatMap(({ key, step, channel }) => {
    const trace = state.steps[key]?.trace;
    if (!trace || step.kind !== 'read') return [];
    return readPairs(step, channel, procedure, state).map((pair) => ({
      ...pair,
      hash: trace.hash,
      label: state.channels.find((one) => one.id === pair.channel)?.label ?? '',
      pointLabel: procedure.points.find((one) => one.id === pair.point)?.label ?? '',
      unit: state.channels.find((one) => one.id === pair.channel)?.unit ?? '',
    }));
  });
}
