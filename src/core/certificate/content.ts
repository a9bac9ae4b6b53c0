import { Dec, decimalPlaces } from '../quantity/decimal';
import { roundHalfEven } from '../quantity/round-half-even';
import { roundUncertainty } from '../quantity/round-uncertainty';
import type { Procedure } from '../procedure/procedure';
import type { Actor, RunChannel } from '../run/event';
import type { VerdictState } from '../run/judge';
import type { ReferenceSnapshot } from '../run/reference-snapshot';
import { boundReference, isStruck, standingReading, wasAdjusted, type RecordedReading, type RunState } from '../run/state';
import { summarise } from '../run/summary';
import type { DecisionRule } from '../uncertainty/decide';

export interface CertificateReading { text: string; error: string | null; state: VerdictState; remark?: string }

/** One line of the results: a point of a channel. */
export interface CertificateResult {
  channel: string;
  label: string;
  point: string;
  unit: string;
  target: string | null;
  basis: string;
  tolerance: string | null;
  asFound: CertificateReading | null;
  asLeft: CertificateReading | null;
  expanded: string | null;
  k: number | null;
  note?: string;
}

/** The certificate as data; the PDF is drawn from this and nothing else. Clauses: ISO/IEC 17025:2017, 7.8.2 and 7.8.4. */
export interface CertificateContent {
  schema: 'werkbank-certificate/1';
  kind: 'certificate' | 'record';
  title: string;
  number: string;
  revision: number;
  replaces: { number: string; revision: number; reason: string } | null;
  laboratory: { name: string; address: string; place: string };
  customer: { name: string; address: string; contact: string };
  item: { maker: string; model: string; serial: string; tag: string; condition: string[]; channels: { label: string; measurand: string; range: string; resolution: string; tolerance: string; scale: string; sensorSerial: string; status: RunChannel['status'] }[] };
  dates: { received: string; calibrated: string; issued: string };
  method: { text: string; procedure: string; version: number };
  deviations: string[];
  environment: string[];
  references: { name: string; lot: string; certificate: string; traceability: string; expires: string; components: string[] }[];
  results: CertificateResult[];
  adjustments: string[];
  uncertainty: string;
  conformity: { rule: DecisionRule; ruleText: string; asFound: VerdictState; asLeft: VerdictState; sentences: string[] };
  suppliedByCustomer: string[];
  resultsOfOthers: string;
  due: { date: string; reason: string } | null;
  remarks: string[];
  technician: string;
  authorisation: { name: string; samePerson: boolean };
  notices: string[];
  run: { id: string; lastHash: string };
}

export interface CertificateSource {
  procedure: Procedure;
  state: RunState;
  number: string;
  laboratory: CertificateContent['laboratory'];
  customer: CertificateContent['customer'];
  item: { maker: string; model: string; serial: string; tag: string; condition: string[] };
  received: string;
  issued: string;
  /** Date of calibration as a calendar date in the workshop's zone. */
  calibrated: string;
  due: { date: string; reason: string } | null;
  suppliedByCustomer: string[];
  authorisedBy: Actor;
  lastHash: string;
}

/** Makes the content of a certificate from a finished run. Pure: the same source gives the same content, and so the same hash. */
export function certificateContent(source: CertificateSource): CertificateContent {
  const { procedure, state } = source;
  const summary = summarise(procedure, state);
  const kind = procedure.scope === 'calibration' && summary.asLeft !== 'notMeasured' ? 'certificate' : 'record';
  return {
    schema: 'werkbank-certificate/1', kind,
    title: kind === 'certificate' ? 'Calibration certificate' : 'Calibration record of limited scope',
    number: source.number, revision: 0, replaces: null,
    laboratory: source.laboratory, customer: source.customer,
    item: { ...source.item, channels: state.channels.map(describeChannel) },
    dates: { received: source.received, calibrated: source.calibrated, issued: source.issued },
    method: { text: procedure.method, procedure: procedure.title, version: procedure.version },
    deviations: state.deviations.map((deviation) => `${deviation.what}. Reason: ${deviation.reason}`),
    environment: state.conditions.map(describeConditions),
    references: usedReferences(state).map(describeReference),
    results: procedure.points.flatMap((point) => state.channels.filter((channel) => point.channels.includes(channel.role)).map((channel) => resultLine(state, channel, point.id, point.label))),
    adjustments: describeAdjustments(state),
    uncertainty: `Expanded uncertainty U with coverage factor k as stated, for a coverage probability of about ${roundHalfEven({ value: (state.started?.coverage ?? 0.9545) * 100, places: 2 })} %, from the reference and the display’s resolution (JCGM 100:2008).`,
    conformity: {
      rule: state.started!.rule, ruleText: RULE_TEXT[state.started!.rule], asFound: summary.asFound, asLeft: summary.asLeft,
      sentences: [`As found: ${VERDICT_TEXT[summary.asFound]}.`, `As left: ${VERDICT_TEXT[summary.asLeft]}.`],
    },
    suppliedByCustomer: source.suppliedByCustomer, resultsOfOthers: 'None.', due: source.due, remarks: remarks(state),
    technician: state.technician?.name ?? '', authorisation: { name: source.authorisedBy.name, samePerson: state.samePerson },
    notices: [
      'The results relate only to the items calibrated, in the condition in which they were received.',
      'This document may be reproduced only in full, except with the written consent of the laboratory.',
      'The laboratory states its own results; no accreditation is claimed.',
    ],
    run: { id: state.run, lastHash: source.lastHash },
  };
}

/** A mistake is mended by a revision that names and replaces the old one and says why (7.8.8). */
export function revisedContent({ previous, reason, issued, changes, authorisedBy }: {
  previous: CertificateContent; reason: string; issued: string; changes: Partial<Pick<CertificateContent, 'customer' | 'item' | 'remarks'>>; authorisedBy: Actor;
}): CertificateContent {
  return {
    ...previous, ...changes, revision: previous.revision + 1, replaces: { number: previous.number, revision: previous.revision, reason },
    dates: { ...previous.dates, issued }, authorisation: { ...previous.authorisation, name: authorisedBy.name },
  };
}

export const VERDICT_TEXT: Record<VerdictState, string> = {
  within: 'within tolerance', outside: 'outside tolerance', cannotTell: 'cannot tell: the result is nearer to the limit than its uncertainty', notMeasured: 'not measured, or not in full',
};

const RULE_TEXT: Record<DecisionRule, string> = {
  simple: 'Simple acceptance: within tolerance when the error does not exceed the limit, limits included (ILAC-G8:09/2019, 4.2.1). Uncertainty is not subtracted.',
  guarded: 'Guard band w = U: within tolerance only when the error lies inside the limit reduced by U; between the guard band and the limit plus U it can’t be told (ILAC-G8:09/2019, 4.2.2).',
};

function describeChannel(channel: RunChannel): CertificateContent['item']['channels'][number] {
  const { absolute, percentOfTarget, zero } = channel.tolerance;
  const parts = [absolute && `± ${absolute} ${channel.unit}`, percentOfTarget && `± ${percentOfTarget} % of the value`].filter(Boolean).join(' or ');
  return {
    label: channel.label, measurand: channel.measurand, range: `${channel.lowest} to ${channel.highest} ${channel.unit}`, resolution: `${channel.resolution} ${channel.unit}`,
    tolerance: `${parts}${percentOfTarget && absolute ? ', the greater' : ''}${zero ? `; at zero ± ${zero} ${channel.unit}` : ''}`,
    scale: channel.scale ? `100 %LEL = ${channel.scale.lelVolPercent} %vol (${channel.scale.source}), relative response ${channel.scale.relativeResponse}` : '',
    sensorSerial: channel.sensorSerial ?? '', status: channel.status,
  };
}

function describeConditions(conditions: { temperatureC?: string; pressureHPa?: string; humidityPercent?: string }): string {
  return [conditions.temperatureC && `${conditions.temperatureC} °C`, conditions.pressureHPa && `${conditions.pressureHPa} hPa`, conditions.humidityPercent && `${conditions.humidityPercent} % relative humidity`].filter(Boolean).join(', ');
}

function usedReferences(state: RunState): ReferenceSnapshot[] {
  const used = state.bindings.filter((binding) => !binding.struck && state.readings.some((reading) => reading.target?.binding === binding.seq && !isStruck(reading)));
  const standing = used.length ? used : state.bindings.filter((binding) => boundReference(state, binding.slot) === binding);
  return [...new Map(standing.map((binding) => [binding.reference.id, binding.reference])).values()];
}

function describeReference(reference: ReferenceSnapshot): CertificateContent['references'][number] {
  return {
    name: reference.name, lot: reference.lot, certificate: reference.certificate ?? '', traceability: reference.traceability ?? '', expires: reference.expires ?? '',
    components: [...reference.components.map((component) => `${component.substance} ${component.value} ${component.unit} ± ${component.expanded} ${component.unit} (k = ${component.k})`), ...(reference.balance ? [`balance ${reference.balance}`] : [])],
  };
}

function resultLine(state: RunState, channel: RunChannel, point: string, pointLabel: string): CertificateResult {
  const line = { channel: channel.id, label: channel.label, point: pointLabel, unit: channel.unit };
  const nothing = { ...line, target: null, basis: '', tolerance: null, asFound: null, asLeft: null, expanded: null, k: null };
  if (channel.status !== 'fitted') return { ...nothing, note: channel.status === 'removed' ? 'Sensor not fitted; not calibrated.' : 'Not calibrated, as agreed.' };
  const found = standingReading(state, { point, channel: channel.id, phase: 'asFound' });
  const measured = standingReading(state, { point, channel: channel.id, phase: 'asLeft' });
  const adjusted = wasAdjusted(state, channel.id);
  const left = measured ?? (adjusted ? null : found);
  const shown = left ?? found;
  if (!shown) return { ...nothing, note: state.retired[channel.id] ? RETIRED[state.retired[channel.id]!.consequence] : 'Not measured.' };
  const rounded = shown.judgement.expanded ? roundUncertainty({ expanded: Number(shown.judgement.expanded) }) : null;
  const note = [!measured && !adjusted ? 'Nothing was adjusted: as left is as found.' : '', state.retired[channel.id] ? RETIRED[state.retired[channel.id]!.consequence] : '', found?.remark ? `As found: ${found.remark}.` : ''].filter(Boolean).join(' ');
  return {
    ...line, target: shown.target ? targetText(shown) : null, basis: shown.target?.sentence ?? '', tolerance: shown.judgement.upper,
    asFound: found && reading(found), asLeft: left && reading(left), expanded: rounded?.text ?? null, k: shown.judgement.k, ...(note ? { note } : {}),
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
    text: recorded.reading.text, error: recorded.judgement.error, state: lost ? 'notMeasured' : recorded.counts ? recorded.judgement.state : 'notMeasured',
    ...(recorded.remark ? { remark: recorded.remark } : {}),
  };
}

function describeAdjustments(state: RunState): string[] {
  const label = (id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;
  const lines = state.adjustments.filter((adjustment) => !adjustment.struck).map((adjustment) => `${ACTION_TEXT[adjustment.action]}: ${adjustment.channels.map(label).join(', ')}, ${adjustment.outcome}${adjustment.iteration > 1 ? ' (second try)' : ''}.`);
  const saved = state.saves.map((save) => `Saved on the instrument: ${save.outcome === 'saved' ? 'confirmed' : 'lost, done again'}${save.readBack ? ` (read back ${save.readBack})` : ''}.`);
  return lines.length ? [...lines, ...saved] : ['Nothing was adjusted: as left is as found.'];
}

const ACTION_TEXT = { quick: 'Quick set-up', zero: 'Zero', span: 'Span', calibrate: 'Calibration', trim: 'Manual trim' };

function remarks(state: RunState): string[] {
  return [
    ...(state.samePerson ? ['Work and approval by the same person, as the workshop’s rule for a single-person workshop allows.'] : []),
    ...state.parts.map((part) => `${part.part} replaced: ${part.oldSerial ?? 'unknown'} by ${part.newSerial}.`),
    ...state.settings.map((setting) => `Setting ${setting.setting}: ${setting.before} before, ${setting.after} after${setting.agreedBy ? `, agreed by ${setting.agreedBy}` : ''}.`),
    ...state.readings.filter((entry) => entry.flags.length > 0).map((entry) => `A reading of ${state.channels.find((channel) => channel.id === entry.channel)?.label ?? entry.channel} was ${entry.flags[0]!.code === 'struck' ? 'struck out' : 'set aside with its reference'}: ${entry.flags[0]!.reason}.`),
  ];
}
