import { CAUSES } from './causes/causes';
import type { AddCause, WaterCause, WaterFacts, WaterFinding } from './causes/probe-facts';
import { temperatureCauses } from './causes/temperature-causes';
import { waterTest } from './water-tests';

type Found = Omit<WaterFinding, 'nextTest'>;

/**
 * Ranked likely causes of what a probe in water did wrong, from what was measured, each with the next test that tells it from its nearest look-alike.
 * Units: mV, °C, s, %; shown and value in the channel's unit. Facts that are not known are left out and weigh nothing. Errors: none.
 * Source: common practice; nothing here decides, the technician does.
 *
 * @example
 * diagnoseWater({ measurand: 'pH', label: 'pH', slopePercent: 2, dips: [{ value: 7, shown: 7, millivolts: 1, tolerance: 0.1 }, { value: 4.01, shown: 6.9, millivolts: 6, tolerance: 0.1 }] })[0].code // 'crackedGlass'
 */
export function diagnoseWater(facts: WaterFacts): WaterFinding[] {
  const found: Found[] = [];
  const add: AddCause = (code, score, title, ...because) =>
    found.push({ code, score, title, because: because.filter((text): text is string => Boolean(text)) });
  temperatureCauses(facts, add);
  CAUSES[facts.measurand]?.(facts, add);
  const ranked = merged(found.filter((one) => one.score > 0).sort((a, b) => b.score - a.score));
  return ranked.map((one, index) => ({
    ...one,
    nextTest: waterTest(one.code, (index === 0 ? ranked[1] : ranked[0])?.code ?? null).test,
  }));
}

/** The same cause for two reasons is one cause, as likely as the stronger reason. */
function merged(found: Found[]): Found[] {
  const byCode = new Map<WaterCause, Found>();
  for (const one of found) {
    const before = byCode.get(one.code);
    byCode.set(one.code, before ? { ...before, because: [...new Set([...before.because, ...one.because])] } : one);
  }
  return [...byCode.values()];
}
