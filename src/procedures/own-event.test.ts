import { describe, expect, it } from 'vitest';
import { checkDocument } from '@/core/certificate/check/check-document';
import { certificateContent } from '@/core/certificate/content';
import type { Judged } from '@/core/results/judged';
import { results } from '@/core/results/results';
import type { ScriptedRun } from '@/core/run/scripted';
import { sourceOf } from '@/processes/samples/documents';
import { SHELF } from '@/processes/samples/references';
import { inGas, inWater } from '@/processes/samples/runs';

const changed = { second: SHELF.fourOther };
const tools = (...all: (keyof typeof SHELF)[]) => ({ tools: all.map((one) => SHELF[one]) });
/** Every family, where it can be on an unlucky day: the bottle changed in mid-run, or a bench that got warmer by the as-left. */
const DAYS: [what: string, fly: () => ScriptedRun][] = [
  ...['OF-440', 'OF-120', 'OF-125', 'OF-410', 'VT-40', 'VT-47'].map((model): [string, () => ScriptedRun] => [
    `${model}, bottle changed`,
    () => inGas(model, SHELF.four, changed),
  ]),
  ['VT-5P', () => inGas('VT-5P', SHELF.simulant)],
  ['VT-C2', () => inGas('VT-C2', SHELF.dioxide, tools('scrubber'))],
  ['BN-G', () => inGas('BN-G', SHELF.breathing)],
  ['BN-A', () => inGas('BN-A', SHELF.dry)],
  ['BN-H', () => inGas('BN-H', SHELF.hydrogen)],
  ...['SM-05', 'PG-3P', 'SM-35', 'PG-70', 'PG-22', 'SM-20', 'PG-90', 'SM-11'].map((model): [string, () => ScriptedRun] => [
    `${model}, two temperatures`,
    () => inWater(model, { roomC: 20.3, laterC: 24.2 }),
  ]),
];

describe('over all procedures: as found and as left each from their own reading, and what is printed adds up', () => {
  it.each(DAYS)('%s', (_what, fly) => {
    const run = fly();
    const lines = results({ procedure: run.procedure, state: run.state });
    const eventOf = (judged: Judged, phase: string) => {
      const event = run.events.find((one) => one.seq === judged.seq);
      expect(event).toMatchObject({ type: 'readingCaptured', data: { phase } });
      return (event as unknown as { data: { target: { binding: number | null } | null; judgement: Record<string, unknown> } })
        .data;
    };
    let compared = 0;
    for (const line of lines)
      for (const [judged, phase] of [
        [line.found, 'asFound'],
        [line.left, line.leftIsFound ? 'asFound' : 'asLeft'],
      ] as const) {
        if (!judged) continue;
        const { target, judgement } = eventOf(judged, phase);
        // Set aside: nothing at all is printed of what it was compared with.
        if (judged.reference === null) continue;
        compared += 1;
        expect(judged.reference).toBe(judgement.reference);
        expect(judged.binding).toBe(target?.binding ?? null);
        if (judged.verdict === 'notJudged') continue;
        expect(judged.limits).toEqual({ lower: judgement.lower, upper: judgement.upper });
        expect([judged.expanded, judged.k, judged.verdict]).toEqual([judgement.expanded, judgement.k, judgement.state]);
      }
    expect(compared).toBeGreaterThan(1);
    expect(checkDocument(certificateContent(sourceOf(run, 'C-1', null)))).toEqual([]);
  });
});
