import { roundHalfEven } from '../quantity/round-half-even';
import { ucumCodes } from '../quantity/unit';
import { probeResults } from '../probe/probe-result';
import { electrodeLimits } from '../ph/electrode-limits';
import { probeWords } from '../probe/probe-words';
import type { Procedure } from '../procedure/procedure';
import type { StandingValue } from '../uncertainty/standing';
import { confirmedSince } from '../results/confirmed-since';
import type { Judged, ResultLine } from '../results/judged';
import { STATUS_AFTER } from '../results/instrument-status';
import { outcomeOf } from '../results/outcome';
import { reasonOf } from '../results/reason';
import { summarise, type RunSummary } from '../results/summary';
import { answerAbout } from '../record/answer-about';
import type { Actor } from '../record/event';
import type { RunState } from '../record/state';
import { say, type Language } from '../words/say';
import { describeAdjustments, describeBumps, describeChannel, describeChecks, describeMethod, describeRemarks } from './describe';
import { describeDeviations } from './describe-deviations';
import { describeProbes } from './describe-probes';
import { judgedText } from './judged-text';
import { environmentOf, referenceIdOf, referencesOf } from './references';
import { tracesOf } from './traces';
import { SCHEMA_2, type CertificateVersion2, type DocumentKind, type ResultText } from './version-2';
import '@/core/words/en/certificate';
import '@/core/words/en/document';
import '@/core/words/en/remarks';
import '@/core/words/en/status';

export interface CertificateSource {
  procedure: Procedure;
  state: RunState;
  number: string;
  previous: CertificateVersion2['previous'];
  software: CertificateVersion2['software'];
  laboratory: CertificateVersion2['laboratory'];
  place: string;
  customer: CertificateVersion2['customer'];
  item: { maker: string; model: string; serial: string; tag: string; condition: string[] };
  received: string;
  issued: string;
  /** First and last day of the readings, as calendar dates in the workshop's zone. */
  calibrated: { from: string; to: string };
  due: CertificateVersion2['due'];
  suppliedByCustomer: string[];
  authorisedBy: Actor;
  authorisedAt: string;
  lastHash: string;
  annexes: CertificateVersion2['annexes'];
  /** Standing values as they are now: one that got its source after a reading is named by it. */
  standing?: readonly StandingValue[];
  language?: Language;
}

/** Makes the content of a document from a finished run. Pure: the same source gives the same content, and so the same hash. */
export function certificateContent(source: CertificateSource): CertificateVersion2 {
  const { procedure, state, language = 'en' } = source;
  const summed = summarise(procedure, state);
  const summary = { ...summed, lines: confirmedSince(summed.lines, source.standing ?? []) };
  const kind = documentKind(procedure, state, summary);
  const imported = kind === 'imported';
  const results = summary.lines.map((line) => resultText(line, state, language));
  const probes = describeProbes(procedure, state, language);
  return {
    schema: SCHEMA_2,
    kind,
    title: say({ code: `title.${kind}` }, language),
    number: source.number,
    revision: 0,
    replaces: null,
    previous: source.previous,
    software: source.software,
    language,
    laboratory: source.laboratory,
    place: answerAbout(procedure, state, 'placeOfWork')?.value || state.started?.placeOfWork || source.place,
    customer: source.customer,
    item: { ...source.item, channels: state.channels.map((channel) => describeChannel(channel, language)) },
    dates: { received: source.received, calibrated: source.calibrated, issued: source.issued },
    method: {
      text: describeMethod(procedure, state, language),
      procedure: procedure.title,
      version: procedure.version,
      document: `${procedure.id}/${procedure.version}`,
    },
    environment: environmentOf(state),
    references: referencesOf(state, summary.lines, language),
    results,
    probes,
    uncertainty: results.some((line) => line.found?.expanded || line.left?.expanded)
      ? say(
          {
            code: 'uncertainty.text',
            numbers: { coverage: roundHalfEven({ value: (state.started?.coverage ?? 0.9545) * 100, places: 2 }) },
          },
          language,
        )
      : say({ code: 'uncertainty.none' }, language),
    conformity: conformityOf(source, summary, language),
    checks: describeChecks(procedure, state, language),
    bumps: describeBumps(state, language),
    adjustments: describeAdjustments(state, language),
    deviations: describeDeviations(state, language),
    settings: state.settings.map(({ setting, before, after, agreedBy }) => ({
      what: setting,
      before,
      after,
      ...(agreedBy ? { agreedBy } : {}),
    })),
    remarks: [...describeRemarks(state, language), ...probeRemarks(procedure, state, language)],
    resultsOfOthers: imported ? [say({ code: 'others.station' }, language)] : [],
    suppliedByCustomer: source.suppliedByCustomer,
    due: source.due,
    technician: state.technician?.name ?? '',
    authorisation: {
      name: source.authorisedBy.name,
      function: say({ code: `function.${source.authorisedBy.role}` }, language),
      meaning: say({ code: 'authorised.meaning' }, language),
      at: source.authorisedAt,
      samePerson: state.samePerson,
    },
    notices: [
      ...(imported ? [say({ code: 'notice.imported' }, language)] : []),
      say({ code: 'notice.items' }, language),
      ...(source.suppliedByCustomer.length ? [say({ code: 'notice.supplied' }, language)] : []),
      ...(summary.lines.some((line) => line.notes.some((note) => note.code === 'note.outsideScope'))
        ? [say({ code: 'notice.scope' }, language)]
        : []),
      say({ code: 'notice.copy' }, language),
      say({ code: 'notice.own' }, language),
    ],
    run: { id: state.run, lastHash: source.lastHash },
    traces: tracesOf(procedure, state),
    annexes: source.annexes,
  };
}

/** Which document a run amounts to: what was not measured in full is never called a certificate. */
export function documentKind(procedure: Procedure, state: RunState, summary: RunSummary): DocumentKind {
  const outcome = outcomeOf(procedure, state, summary);
  if (outcome === 'returned') return 'notCalibrated';
  if (state.started?.origin === 'imported') return 'imported';
  if (procedure.scope === 'bumpOnly') return 'bump';
  if (procedure.scope === 'zeroOnly') return 'zeroAdjustment';
  if (procedure.scope === 'accuracyCheck') return 'accuracyCheck';
  if (state.started?.service === 'asFoundOnly') return 'asFound';
  return summary.asLeft === 'notMeasured' || outcome === 'service' || outcome === 'outOfService' || outcome === 'limited'
    ? 'limited'
    : 'calibration';
}

/** A line of the table of results as it stands on the document. */
export function resultText(line: ResultLine, state: RunState, language: Language): ResultText {
  const text = (judged: Judged | null) => judged && judgedText(judged, referenceIdOf(judged, state), language);
  const note = line.notes.map((fact) => say(fact, language)).join(' ');
  return {
    channel: line.channel,
    label: line.label,
    measurand: line.measurand,
    point: line.pointLabel,
    unit: { shown: line.unit, ucum: ucumCodes([line.unit])[line.unit] ?? null },
    found: text(line.found),
    left: text(line.left),
    adjusted: line.adjusted,
    ...(note ? { note } : {}),
  };
}

/** By what it was judged: what was agreed with the customer stands before what the procedure or the maker states. */
function specificationOf(
  procedure: Procedure,
  state: RunState,
  item: CertificateSource['item'],
  summary: RunSummary,
  language: Language,
): CertificateVersion2['conformity']['specification'] {
  const own = procedure.points
    .filter((point) => typeof point.tolerance === 'object' && summary.lines.some((line) => line.point === point.id))
    .map((point) => point.label);
  const agreed = state.started!.channels.filter(
    (channel) => channel.toleranceAgreed && summary.lines.some((line) => line.channel === channel.id),
  );
  const limits = own.length ? [say({ code: 'conformity.limits', numbers: { points: own.join(', ') } }, language)] : [];
  if (agreed.length) {
    const days = [...new Set(agreed.map((channel) => channel.toleranceAgreed!.on))].sort().join(', ');
    const numbers = { channels: agreed.map((channel) => channel.label).join(', '), on: days };
    return { name: [say({ code: 'conformity.agreed', numbers }, language), ...limits].join('; '), whose: 'customer' };
  }
  if (own.length) return { name: [say({ code: 'conformity.stated' }, language), ...limits].join('; '), whose: 'workshop' };
  return {
    name: say({ code: 'conformity.specification', numbers: { maker: item.maker, model: item.model } }, language),
    whose: 'maker',
  };
}

/** Which results the statement covers and which it does not, by whose specification and which rule (7.8.6.2). */
function conformityOf(
  { procedure, state, item }: CertificateSource,
  summary: RunSummary,
  language: Language,
): CertificateVersion2['conformity'] {
  const covers: string[] = [];
  const notJudged: string[] = [];
  for (const line of summary.lines)
    for (const side of ['found', 'left'] as const) {
      const judged = line[side];
      if (!(side === 'found' ? line.asked.found : line.asked.left) || (side === 'left' && line.leftIsFound && !line.asked.left))
        continue;
      const what = say({ code: `point.${side}`, numbers: { label: line.label, point: line.pointLabel } }, language);
      if (judged && judged.verdict !== 'notJudged') covers.push(what);
      else {
        const why = judged?.why
          ? say(judged.why, language)
          : (line.notes[0] && say(line.notes[0], language)) || say({ code: 'note.notMeasured' }, language);
        notJudged.push(say({ code: 'point.notJudged', numbers: { what, why: why.replace(/\.$/, '') } }, language));
      }
    }
  const rule = state.started!.rule;
  const outcome = outcomeOf(procedure, state, summary);
  const reason = reasonOf(procedure, state, language);
  // Whatever its readings say: an instrument that was given up is not fit for use.
  const notFit =
    STATUS_AFTER[outcome] && outcome !== 'outside' ? [say({ code: 'status.notFit', numbers: { reason } }, language)] : [];
  const verdict = (which: 'asFound' | 'asLeft') =>
    say({ code: `conformity.${which}`, numbers: { verdict: say({ code: `overall.${summary[which]}` }, language) } }, language);
  return {
    specification: specificationOf(procedure, state, item, summary, language),
    covers,
    notJudged,
    rule,
    ruleText: say({ code: `rule.${rule}` }, language),
    asFound: summary.asFound,
    asLeft: summary.asLeft,
    sentences: [verdict('asFound'), verdict('asLeft'), ...notFit],
  };
}

/** A probe that took its calibration and is yet past the house's limits, or near them: the reader is told. */
function probeRemarks(procedure: Procedure, state: RunState, language: Language): string[] {
  return probeResults({ procedure, state }).flatMap((result) => {
    const words = probeWords({ result, history: [], limits: electrodeLimits(state.started?.schools) });
    if (words.condition === 'good') return [];
    // The bench's own advice is English; a document in another language says that, and by how much.
    const near =
      result.slopePercent === null
        ? say({ code: 'probe.nearLimit' }, language)
        : say({ code: 'probe.nearLimitSlope', numbers: { slope: result.slopePercent.toFixed(1) } }, language);
    const sentence = language === 'en' ? words.sentence : near;
    return [say({ code: 'remark.probe', numbers: { label: result.label, sentence } }, language)];
  });
}
