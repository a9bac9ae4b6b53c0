import { coverageFactor, studentTwoSided } from '../uncertainty/student';

/** What instruments showed as found against a lot: each its deviation in per cent of what the certificate says, once. */
export interface LotReadings {
  deviations: readonly number[];
  /** Standard uncertainty of the lot's certified value, in per cent. */
  standardUncertainty: number;
}

export interface LotWitness {
  instruments: number;
  earlier: number;
  /** By how much the instruments read low against this lot compared with the earlier ones, in per cent; negative is low. */
  shift: number;
  /** Largest shift that instruments and certificates explain, at the chance that is asked for. */
  explained: number;
  /** How often so low a mean comes by chance where the lot is what it says. */
  probability: number;
  /** The lot is low, or fades: so many instruments do not read low together by chance. */
  suspicious: boolean;
}

/** Fewer instruments are no witness: a pair of bad sensors would be one. */
export const LEAST_INSTRUMENTS = 5;
/** As many of earlier lots: their scatter is what a new lot is held against. */
export const LEAST_EARLIER = 10;
/** What reads so many standard deviations from its lot's median is a sensor of its own, and no witness. */
const LEFT_OUT = 4;
/** Others are drawn in to so many: none weighs more than that. */
const DRAWN_IN = 2.5;
/** Variance that is left of a normal sample that is drawn in so (from memory of the censored normal; the simulation in the test holds it). */
const LEFT_VARIANCE = 0.958;

/**
 * Whether the instruments that were read against one lot read low together, while against earlier lots they did not: then the lot is low or fades, and the sensors are sound. One-sided comparison of means with the scatter within
 * lots pooled, the certificates' own uncertainties added, effective degrees of freedom by Welch and Satterthwaite; readings far out are left out or drawn in by the pooled robust scatter first.
 * Arguments: deviations in per cent of the certified value; `chance`: share of false alarms a judgement, 0 to 0.5. Null for too few instruments, too few earlier, or no scatter to compare with.
 * Errors: none. Source: Welch (1947) and Satterthwaite (1946) as in JCGM 100:2008, G.4; Huber (1964) for drawing in; the combination is our own, held against the test that knows the true scatter.
 *
 * @example
 * lotWitness({ lot, earlier, chance: 0.002 })?.suspicious // true where ten instruments read 10 % low together
 */
export function lotWitness({
  lot,
  earlier,
  chance,
}: {
  lot: LotReadings;
  earlier: readonly LotReadings[];
  chance: number;
}): LotWitness | null {
  const before = earlier.filter((one) => one.deviations.length > 0);
  const instruments = lot.deviations.length;
  const many = before.reduce((sum, one) => sum + one.deviations.length, 0);
  if (instruments < LEAST_INSTRUMENTS || many < LEAST_EARLIER) return null;
  const all = [lot, ...before];
  const apart = all.flatMap(({ deviations }) => fromMedian(deviations).map(Math.abs));
  // Coarse displays show most instruments alike: then the mean of what is apart says how far.
  const robust = 1.4826 * median(apart) || 1.2533 * mean(apart);
  if (!(robust > 0)) return null;
  const drawn = all.map(({ deviations, standardUncertainty }) => ({
    values: drawIn(deviations, robust),
    u: standardUncertainty,
  }));
  if (drawn[0]!.values.length < LEAST_INSTRUMENTS) return null;
  const dof = drawn.reduce((sum, { values }) => sum + values.length - 1, 0);
  const squares = drawn.reduce((sum, { values }) => sum + squaresAbout(values, mean(values)), 0);
  const scatter = squares / dof / LEFT_VARIANCE;
  if (!(scatter > 0)) return null;
  const [own, ...others] = drawn.map(({ values, u }) => ({
    mean: mean(values),
    byScatter: scatter / values.length,
    variance: scatter / values.length + u ** 2,
  }));
  const weight = others.reduce((sum, one) => sum + 1 / one.variance, 0);
  const usual = others.reduce((sum, one) => sum + one.mean / one.variance, 0) / weight;
  const byScatter = own!.byScatter + others.reduce((sum, one) => sum + one.byScatter / one.variance ** 2, 0) / weight ** 2;
  const variance = own!.variance + 1 / weight;
  const effective = dof * (variance / byScatter) ** 2;
  const shift = own!.mean - usual;
  const t = shift / Math.sqrt(variance);
  const half = (1 - studentTwoSided(Math.abs(t), effective)) / 2;
  const probability = t < 0 ? half : 1 - half;
  const explained = coverageFactor({ coverage: 1 - 2 * chance, dof: effective }) * Math.sqrt(variance);
  return { instruments, earlier: many, shift, explained, probability, suspicious: shift < -explained };
}

const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;
const squaresAbout = (values: readonly number[], about: number): number =>
  values.reduce((sum, one) => sum + (one - about) ** 2, 0);

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const at = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? sorted[at]! : (sorted[at - 1]! + sorted[at]!) / 2;
}
const fromMedian = (values: readonly number[]): number[] => {
  const about = median(values);
  return values.map((one) => one - about);
};
const drawIn = (values: readonly number[], scatter: number): number[] => {
  const about = median(values);
  const most = DRAWN_IN * scatter;
  return values
    .filter((one) => Math.abs(one - about) <= LEFT_OUT * scatter)
    .map((one) => about + Math.max(-most, Math.min(most, one - about)));
};
