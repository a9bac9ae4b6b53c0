import { inSentence } from '../words/in-sentence';
import { measurandOf } from '../measurand';
import type { Procedure } from '../procedure/procedure';
import { results } from '../results/results';
import type { RunState } from '../record/state';
import { say, type Language, type Numbers, type WordCode } from '../words/say';
import '@/core/words/en/notice';

export interface NoticeFact {
  label: string;
  point: string;
  unit: string;
  target: string;
  found: string;
  /** What the display showed, in words for the customer. */
  shown: string;
  error: string;
  tolerance: string;
  expanded: string;
}

export interface NoticeDraft {
  subject: string;
  body: string;
  facts: NoticeFact[];
}

/**
 * Draft of the notice to a customer whose instrument was found out of tolerance: size, since when, which readings are in doubt. Null when nothing that counts was outside.
 * The laboratory states what it measured; what follows from it is the customer's to decide. Errors: none.
 * Source: ISO/IEC 17025:2017, 7.10.1 (effect on earlier results is looked at) and 8.7; common practice.
 *
 * @example
 * draftNotice({ procedure, state, item, lastGood: '2026-05-02', found: '2026-11-25', laboratory: 'Workshop' })?.facts[0].error // '-3.5'
 */
export function draftNotice({
  procedure,
  state,
  item,
  lastGood,
  found,
  laboratory,
  language = 'en',
}: {
  procedure: Procedure;
  state: RunState;
  item: { maker: string; model: string; serial: string; tag: string };
  lastGood: string | null;
  found: string;
  laboratory: string;
  language?: Language;
}): NoticeDraft | null {
  const w = (code: Extract<WordCode, `toldOutside.${string}`>, numbers: Numbers = {}) => say({ code, numbers }, language);
  const lines = results({ procedure, state }).filter((line) => line.found?.verdict === 'outside');
  const facts = lines.map((line): NoticeFact => {
    const found = line.found!;
    return {
      label: line.label,
      point: line.pointLabel,
      unit: line.unit,
      target: found.reference ?? '',
      found: found.reading.text,
      shown: found.reading.status === 'value' ? `${found.reading.text} ${line.unit}` : w(`toldOutside.${found.reading.status}`),
      error: found.deviation ?? '',
      tolerance: found.limits?.upper ?? '',
      expanded: found.expanded ?? '',
    };
  });
  // Which wrong way endangers people is the measurand's to say: a gas that reads low warns late, oxygen both ways.
  const late = lines.some(({ measurand, found }) => {
    const { danger } = measurandOf(measurand);
    const { deviation, reading } = found!;
    // A display under its range has no size, and reads low all the same.
    const low = deviation?.startsWith('-') || reading.status === 'under';
    return (
      (deviation !== null || low || reading.status === 'over') &&
      (danger === 'both' || (danger === 'fall' && low) || (danger === 'rise' && !low))
    );
  });
  if (facts.length === 0) return null;
  const { maker, model, serial, tag } = item;
  const name = w(tag ? 'toldOutside.itemTag' : 'toldOutside.item', { item: `${maker} ${model}`, serial, tag });
  const told = facts.map(({ error, unit, expanded, point, ...fact }) => {
    const size = { size: error.replace('-', ''), unit };
    return w('toldOutside.line', {
      ...fact,
      unit,
      // A label inside an English sentence begins small; German nouns keep their capital.
      point: language === 'en' ? inSentence(point) : point,
      size: error ? w(error.startsWith('-') ? 'toldOutside.tooLow' : 'toldOutside.tooHigh', size) : '',
      expanded: expanded ? w('toldOutside.expanded', { expanded, unit }) : '',
    });
  });
  const which = [...new Set(facts.map((fact) => fact.label))].join(', ');
  const doubt = lastGood ? w('toldOutside.doubtSince', { which, lastGood, found }) : w('toldOutside.doubt', { which, found });
  return {
    subject: w('toldOutside.subject', { item: `${maker} ${model} ${serial}` }),
    facts,
    body: [
      w('toldOutside.found', { found, item: name }),
      '',
      ...told,
      '',
      lastGood ? w('toldOutside.lastGood', { lastGood }) : w('toldOutside.neverGood'),
      '',
      late ? `${doubt} ${w('toldOutside.late')}` : doubt,
      w('toldOutside.yours'),
      '',
      w('toldOutside.certificate'),
      '',
      laboratory,
    ].join('\n'),
  };
}
