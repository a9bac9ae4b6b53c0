import { roundHalfEven } from '../quantity/round-half-even';
import type { Procedure } from '../procedure/procedure';
import type { Actor } from '../run/event';
import type { VerdictState } from '../run/judge';
import type { RunState } from '../run/state';
import { summarise } from '../run/summary';
import type { DecisionRule } from '../uncertainty/decide';
import { describeAdjustments, describeChannel, describeConditions, describeReference, remarks, usedReferences } from './describe';
import { describeProbes } from './describe-probes';
import { resultLine } from './result-line';
import { statedPoints } from './stated-points';
import type { CertificateContent } from './certificate';

export type { CertificateContent, CertificateReading, CertificateResult } from './certificate';

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
  // Taken from a station's log, the values are the station's: a record of its own kind, never a certificate.
  const imported = state.started?.origin === 'imported';
  const probes = describeProbes(procedure, state);
  const kind = procedure.scope === 'calibration' && summary.asLeft !== 'notMeasured' && !imported ? 'certificate' : 'record';
  return {
    schema: 'werkbank-certificate/1',
    kind,
    title:
      kind === 'certificate'
        ? 'Calibration certificate'
        : imported
          ? 'Record of imported station results'
          : RECORD_TITLE[procedure.scope],
    number: source.number,
    revision: 0,
    replaces: null,
    laboratory: source.laboratory,
    customer: source.customer,
    item: { ...source.item, channels: state.channels.map(describeChannel) },
    dates: { received: source.received, calibrated: source.calibrated, issued: source.issued },
    method: { text: procedure.method, procedure: procedure.title, version: procedure.version },
    deviations: state.deviations.map((deviation) => `${deviation.what}. Reason: ${deviation.reason}`),
    environment: state.conditions.map(describeConditions),
    references: usedReferences(state).map(describeReference),
    results: statedPoints(procedure, state).flatMap((point) =>
      state.channels
        .filter((channel) => point.channels.includes(channel.role))
        .map((channel) => resultLine(state, channel, point.id, point.label)),
    ),
    adjustments: describeAdjustments(state),
    ...(probes.length ? { probes } : {}),
    uncertainty: `Expanded uncertainty U with coverage factor k as stated, for a coverage probability of about ${roundHalfEven({ value: (state.started?.coverage ?? 0.9545) * 100, places: 2 })} %, from the reference and the display’s resolution (JCGM 100:2008).`,
    conformity: {
      rule: state.started!.rule,
      ruleText: RULE_TEXT[state.started!.rule],
      asFound: summary.asFound,
      asLeft: summary.asLeft,
      sentences: [`As found: ${VERDICT_TEXT[summary.asFound]}.`, `As left: ${VERDICT_TEXT[summary.asLeft]}.`],
    },
    suppliedByCustomer: source.suppliedByCustomer,
    resultsOfOthers: 'None.',
    due: source.due,
    remarks: remarks(state),
    technician: state.technician?.name ?? '',
    authorisation: { name: source.authorisedBy.name, samePerson: state.samePerson },
    notices: [
      'The results relate only to the items calibrated, in the condition in which they were received.',
      'This document may be reproduced only in full, except with the written consent of the laboratory.',
      'The laboratory states its own results; no accreditation is claimed.',
    ],
    run: { id: state.run, lastHash: source.lastHash },
  };
}

/** A mistake is mended by a revision that names and replaces the old one and says why (7.8.8). */
export function revisedContent({
  previous,
  reason,
  issued,
  changes,
  authorisedBy,
}: {
  previous: CertificateContent;
  reason: string;
  issued: string;
  changes: Partial<Pick<CertificateContent, 'customer' | 'item' | 'remarks'>>;
  authorisedBy: Actor;
}): CertificateContent {
  return {
    ...previous,
    ...changes,
    revision: previous.revision + 1,
    replaces: { number: previous.number, revision: previous.revision, reason },
    dates: { ...previous.dates, issued },
    authorisation: { ...previous.authorisation, name: authorisedBy.name },
  };
}

export const VERDICT_TEXT: Record<VerdictState, string> = {
  within: 'within tolerance',
  outside: 'outside tolerance',
  cannotTell: 'cannot tell: the result is nearer to the limit than its uncertainty',
  notMeasured: 'not measured, or not in full',
};

const RECORD_TITLE: Record<Procedure['scope'], string> = {
  calibration: 'Calibration record of limited scope',
  zeroOnly: 'Record of a zero adjustment',
  accuracyCheck: 'Record of an accuracy check',
  bumpOnly: 'Record of a bump test',
};

const RULE_TEXT: Record<DecisionRule, string> = {
  simple:
    'Simple acceptance: within tolerance when the error does not exceed the limit, limits included (ILAC-G8:09/2019, 4.2.1). Uncertainty is not subtracted.',
  guarded:
    'Guard band w = U: within tolerance only when the error lies inside the limit reduced by U; between the guard band and the limit plus U it can’t be told (ILAC-G8:09/2019, 4.2.2).',
};
