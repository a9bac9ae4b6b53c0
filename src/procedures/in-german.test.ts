import { describe, expect, it } from 'vitest';
import { flatSteps } from '@/core/procedure/flat-steps';
import { certificateContent } from '@/core/certificate/content';
import { sourceOf } from '@/core/certificate/source.fixture';
import { MEASURAND_IDS } from '@/core/quantity/unit';
import { INSPECTION_ITEMS } from '@/features/counter/receive-schema';
import { flyWater } from '@/processes/seed/water-pilot';
import { PROCEDURES } from '.';
import { Day, FAMILIES } from './instrument-day.fixture';
import { STEP_TEXTS, stepInGerman } from './in-german-steps';
import { IN_GERMAN, QUANTITIES_IN_GERMAN } from './in-german';
import { inLanguage } from './in-language';
import { openMeter } from './meter-day.fixture';
import { MODELS } from './models';
import '@/core/words/de';

/** Texts that are the same in every language: figures with units, formulas. */
const PLAIN = /^[\d.,/ ]*(µS\/cm|mS\/cm|CO|CO₂|H₂|H₂S|N₂O|O₂|SO₂|VOC|ORP|pH|[\d.]+)?$/;

describe('what shipped procedures put on a document', () => {
  it('has its German, each text of them and no other', () => {
    const texts = new Set([
      ...PROCEDURES.flatMap((one) => [
        one.title,
        one.method,
        ...one.points.map((point) => point.label),
        ...flatSteps(one.steps).flatMap(({ step }) => (step.kind === 'check' ? step.items.map((item) => item.label) : [])),
      ]),
      ...MODELS.flatMap((one) => one.channels.map((channel) => channel.label)),
    ]);
    expect([...texts].filter((text) => !PLAIN.test(text) && !IN_GERMAN[text])).toEqual([]);
    expect(Object.keys(IN_GERMAN).filter((text) => !texts.has(text))).toEqual([]);
    expect([...MEASURAND_IDS, ...INSPECTION_ITEMS.map((one) => one.label)].filter((one) => !QUANTITIES_IN_GERMAN[one])).toEqual(
      [],
    );
  });

  it('has a German name for each step and place, as a deviation says it, and none for what is no longer said', () => {
    const texts = PROCEDURES.flatMap((one) => [
      ...flatSteps(one.steps).map(({ step }) => step.title),
      ...one.slots.map((slot) => slot.label),
    ]);
    expect(
      texts.filter((text) => !PLAIN.test(text) && !IN_GERMAN[text] && !QUANTITIES_IN_GERMAN[text] && !stepInGerman(text)),
    ).toEqual([]);
    const parts = new Set(texts.flatMap((text) => [text, text.replace(/^(Poured anew: scan|Scan) /, '')]));
    expect(STEP_TEXTS.filter((text) => !parts.has(text))).toEqual([]);
  });

  /** Words that an English sentence can hardly do without, and German has not. */
  const ENGLISH = /\b(the|and|with|from|were|are|of|by|its|which|not|to|this|that|has|for)\b/i;
  const german = (run: Day['run']) => {
    const content = certificateContent({ ...sourceOf(run), ...inLanguage(run.procedure, run.state, 'de'), language: 'de' });
    // What people typed, names of bottles and instruments, and what the record holds of a moment stay as they are.
    const typedIn = new Set(['references', 'settings', 'traces', 'run', 'customer', 'laboratory']);
    const rest = Object.entries(content).filter(([name]) => !typedIn.has(name));
    const typed = new Set([
      ...run.state.deviations.flatMap((one) => (one.said ? [] : [one.reason])),
      ...run.state.notes.map((one) => one.text),
    ]);
    const found: string[] = [];
    const walk = (value: unknown, key = ''): void => {
      if (typeof value === 'string') {
        const said = ['basis', 'item', 'id', 'ucum', 'condition', 'measurand', 'reason', 'readBack'].includes(key) ? '' : value;
        if (ENGLISH.test(said) && ![...typed].some((one) => said.includes(one))) found.push(`${key}: ${said}`);
      } else if (value && typeof value === 'object')
        for (const [name, one] of Object.entries(value)) walk(one, Array.isArray(value) ? key : name);
    };
    walk(rest);
    return found;
  };
  it.each(FAMILIES.slice(0, 3).map((family) => [family.model, family] as const))(
    'the document of %s says nothing in English',
    (_model, family) => {
      expect(german(new Day(family, { 'left-gas': 'together', 'bump-gas': 'found' }).work())).toEqual([]);
    },
  );
  it.each(['PG-22', 'PG-90', 'SM-20'])('nor that of %s', (model) => {
    const pilot = openMeter(model, model === 'PG-22' ? 'tiredElectrode' : 'sound', {});
    flyWater(pilot);
    expect(german(pilot.run)).toEqual([]);
  });
});
