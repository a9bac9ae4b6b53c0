import { Dec, decimalPlaces } from '../quantity/decimal';
import { roundUncertainty } from '../quantity/round-uncertainty';
import type { RunChannel } from '../run/event';
import { standingReading, wasAdjusted, type RecordedReading, type RunState } from '../run/state';
import type { CertificateReading, CertificateResult } from './certificate';

/** One line of the results: as found and as left at a point of a channel, with target, tolerance and uncertainty (ISO/IEC 17025:2017, 7.8.4.1 a and d). */
export function resultLine(state: RunState, channel: RunChannel, point: string, pointLabel: string): CertificateResult {
  const line = { channel: channel.id, label: channel.label, point: pointLabel, unit: channel.unit };
  const nothing = { ...line, target: null, basis: '', tolerance: null, asFound: null, asLeft: null, expanded: null, k: null };
  if (channel.status !== 'fitted')
    return {
      ...nothing,
      note: channel.status === 'removed' ? 'Sensor not fitted; not calibrated.' : 'Not calibrated, as agreed.',
    };
  const found = standingReading(state, { point, channel: channel.id, phase: 'asFound' });
  const measured = standingReading(state, { point, channel: channel.id, phase: 'asLeft' });
  const adjusted = wasAdjusted(state, channel.id);
  const left = measured ?? (adjusted ? null : found);
  const shown = left ?? found;
  if (!shown)
    return { ...nothing, note: state.retired[channel.id] ? RETIRED[state.retired[channel.id]!.consequence] : 'Not measured.' };
  const rounded = shown.judgement.expanded ? roundUncertainty({ expanded: Number(shown.judgement.expanded) }) : null;
  const note = [
    !measured && !adjusted ? 'Nothing was adjusted: as left is as found.' : '',
    state.retired[channel.id] ? RETIRED[state.retired[channel.id]!.consequence] : '',
    found?.remark ? `As found: ${found.remark}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
  return {
    ...line,
    target: shown.target ? targetText(shown) : null,
    basis: shown.target?.sentence ?? '',
    tolerance: shown.judgement.upper,
    asFound: found && reading(found),
    asLeft: left && reading(left),
    expanded: rounded?.text ?? null,
    k: shown.judgement.k,
    ...(note ? { note } : {}),
  };
}

const RETIRED = { service: 'Failed two tries; handed to service.', outOfService: 'Failed two tries; out of service.' };

/** The target with no more digits than the reading has beside it, unless the reference states more. */
function targetText(shown: RecordedReading): string {
  const value = shown.target!.value;
  const places = Math.min(decimalPlaces(value), Math.max(decimalPlaces(shown.reading.text), 2));
  return new Dec(value).toFixed(places);
}

function reading(recorded: RecordedReading): CertificateReading {
  const lost = recorded.flags.some((flag) => flag.code === 'referenceStruck');
  return {
    text: recorded.reading.text,
    error: recorded.judgement.error,
    state: lost ? 'notMeasured' : recorded.counts ? recorded.judgement.state : 'notMeasured',
    ...(recorded.remark ? { remark: recorded.remark } : {}),
  };
}
