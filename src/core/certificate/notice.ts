import { Dec } from '../quantity/decimal';
import { roundUncertainty } from '../quantity/round-uncertainty';
import type { Procedure } from '../procedure/procedure';
import { standingReading, type RunState } from '../run/state';

export interface NoticeFact {
  label: string;
  point: string;
  unit: string;
  target: string;
  found: string;
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
  const facts = procedure.points.flatMap((point) =>
    state.channels
      .filter((channel) => point.channels.includes(channel.role))
      .flatMap((channel): NoticeFact[] => {
        const reading = standingReading(state, { point: point.id, channel: channel.id, phase: 'asFound' });
        if (!reading?.counts || reading.judgement.state !== 'outside' || reading.flags.length > 0) return [];
        const expanded = reading.judgement.expanded;
        return [
          {
            label: channel.label,
            point: point.label,
            unit: channel.unit,
            target: reading.target?.value ?? '',
            found: reading.reading.text,
            error: reading.judgement.error ?? '',
            tolerance: reading.judgement.upper ?? '',
            expanded: expanded ? roundUncertainty({ expanded: Number(expanded) }).text : '',
          },
        ];
      }),
  );
  if (facts.length === 0) return null;
  const name = `${item.maker} ${item.model}, serial ${item.serial}${item.tag ? ` (your ${item.tag})` : ''}`;
  const since = lastGood
    ? `It was last found and left in tolerance on ${lastGood}. When it drifted in between can’t be told.`
    : 'We have no earlier calibration of it on record: since when it reads like this can’t be told.';
  const lines = facts.map((fact) => {
    const low = fact.error.startsWith('-');
    const size = fact.error ? new Dec(fact.error).abs().toFixed() : '';
    return `- ${fact.label}, ${fact.point.toLowerCase()}: showed ${fact.found} ${fact.unit} instead of ${fact.target} ${fact.unit}${
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
      ...lines,
      '',
      since,
      '',
      `In doubt are readings of ${which}${lastGood ? ` from ${lastGood} to ${found}` : ` up to ${found}`}. ${
        facts.some((fact) => fact.error.startsWith('-') && fact.label !== 'O₂')
          ? 'Where it read too low, an alarm may have come late or not at all.'
          : ''
      }`.trim(),
      'Whether work, records or people are affected is for you to decide, by your own rules and the codes that apply to your site.',
      '',
      'The certificate states what was found and how it was left.',
      '',
      laboratory,
    ].join('\n'),
  };
}
