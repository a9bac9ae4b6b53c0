import { inSentence } from '../words/in-sentence';
import { measurandOf } from '../measurand';
import type { Procedure } from '../procedure/procedure';
import { results } from '../results/results';
import type { RunState } from '../record/state';

const LATE = 'Reading like this, an alarm may have come late or not at all.';

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
}: {
  procedure: Procedure;
  state: RunState;
  item: { maker: string; model: string; serial: string; tag: string };
  lastGood: string | null;
  found: string;
  laboratory: string;
}): NoticeDraft | null {
  const lines = results({ procedure, state }).filter((line) => line.found?.verdict === 'outside');
  const facts = lines.map((line): NoticeFact => {
    const found = line.found!;
    return {
      label: line.label,
      point: line.pointLabel,
      unit: line.unit,
      target: found.reference ?? '',
      found: found.reading.text,
      shown: found.reading.status === 'value' ? `${found.reading.text} ${line.unit}` : `${found.reading.status} its range`,
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
  const name = `${item.maker} ${item.model}, serial ${item.serial}${item.tag ? ` (your ${item.tag})` : ''}`;
  const since = lastGood
    ? `It was last found and left in tolerance on ${lastGood}. When it drifted in between can’t be told.`
    : 'We have no earlier calibration of it on record: since when it reads like this can’t be told.';
  const told = facts.map((fact) => {
    const low = fact.error.startsWith('-');
    const size = fact.error ? fact.error.replace('-', '') : '';
    return `- ${fact.label}, ${inSentence(fact.point)}: showed ${fact.shown} instead of ${fact.target} ${fact.unit}${
      size ? `, ${size} ${fact.unit} too ${low ? 'low' : 'high'}` : ''
    } (tolerance ± ${fact.tolerance} ${fact.unit}${fact.expanded ? `, uncertainty of the error ${fact.expanded} ${fact.unit}` : ''}).`;
  });
  const which = [...new Set(facts.map((fact) => fact.label))].join(', ');
  return {
    subject: `Found out of tolerance: ${item.maker} ${item.model} ${item.serial}`,
    facts,
    body: [
      `On ${found} we examined your ${name}, before anything was adjusted, and found it outside its tolerance:`,
      '',
      ...told,
      '',
      since,
      '',
      `In doubt are readings of ${which}${lastGood ? ` from ${lastGood} to ${found}` : ` up to ${found}`}. ${late ? LATE : ''}`.trim(),
      'Whether work, records or people are affected is for you to decide, by your own rules and the codes that apply to your site.',
      '',
      'The certificate states what was found and how it was left.',
      '',
      laboratory,
    ].join('\n'),
  };
}
