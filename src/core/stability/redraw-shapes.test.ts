import { describe, expect, it } from 'vitest';
import { effectiveNumber, softened } from '../uncertainty/effective-number';
import { redrawShapes } from './redraw-shapes';
import { figuresOf, placeOf, shapeAt, shapesOf, type ResponseCard } from './response-card';

const CARD: ResponseCard = { dead: [0, 10], tau: [4, 16], slow: [0.1, 0.1], slower: [2, 6] };

describe('the place of a shape in its card', () => {
  it('counts what the card leaves open, time constants by their ratio, and leads back', () => {
    expect(figuresOf(CARD)).toEqual(['dead', 'tau', 'slower']);
    const shape = { dead: 2.5, tau: 8, slow: 0.1, slower: 5 };
    expect(placeOf(CARD, shape)).toEqual([0.25, expect.closeTo(0.5, 12), 0.75]);
    expect(shapeAt(CARD, placeOf(CARD, shape))).toEqual({ ...shape, tau: expect.closeTo(8, 12) });
  });
});

describe('shapes drawn anew', () => {
  const shapes = shapesOf(CARD, 1000);
  // Dead time and time constant in a narrow band against each other, as a display tells them.
  const likely = (place: number[]) => Math.exp(-(((place[0]! + place[1]! - 1) / 0.02) ** 2) - ((place[0]! - 0.6) / 0.1) ** 2);
  const weights = Float64Array.from(shapes, (shape) => likely(placeOf(CARD, shape)));
  const redrawn = redrawShapes({ card: CARD, shapes, weights: softened(weights, 30) });
  const places = redrawn.shapes.map((shape) => placeOf(CARD, shape));

  it('lie where the likely ones lie: many more of them count', () => {
    const counted = places.map((place, i) => likely(place) * Math.exp(redrawn.logs[i]!));
    expect(effectiveNumber(weights)).toBeLessThan(60);
    expect(effectiveNumber(counted)).toBeGreaterThan(4 * effectiveNumber(weights));
    expect(places.flat().every((one) => one >= 0 && one <= 1)).toBe(true);
  });
  // Importance sampling leaves every mean as it is (Hesterberg 1995): by hand, the mean of three figures that lie evenly in 0 to 1.
  it('stand for the whole card as before, by their weights', () => {
    const all = redrawn.logs.reduce((sum, one) => sum + Math.exp(one), 0);
    for (let figure = 0; figure < 3; figure += 1) {
      const mean = places.reduce((sum, place, i) => sum + place[figure]! * Math.exp(redrawn.logs[i]!), 0) / all;
      expect(mean).toBeCloseTo(0.5, 1);
    }
    expect(all / redrawn.logs.length).toBeCloseTo(1, 1);
  });
  it('find the middle of what is likely, which one in a hundred of the card is', () => {
    const sum = (value: (place: number[]) => number) =>
      places.reduce((total, place, i) => total + value(place) * likely(place) * Math.exp(redrawn.logs[i]!), 0);
    expect(sum((place) => place[0]!) / sum(() => 1)).toBeCloseTo(0.6, 2);
    expect(sum((place) => place[2]!) / sum(() => 1)).toBeCloseTo(0.5, 1);
  });
  it('are the same for the same weights', () => {
    expect(redrawShapes({ card: CARD, shapes, weights: softened(weights, 30) })).toEqual(redrawn);
  });
});

describe('how many weights speak', () => {
  // Kish 1965: equal weights count in full, one that outweighs all others counts alone.
  it('all of equal ones, one where one outweighs', () => {
    expect(effectiveNumber([2, 2, 2, 2])).toBe(4);
    expect(effectiveNumber([1, 1e-9, 0])).toBeCloseTo(1, 6);
  });
  it('softened, at least so many; left as they are where enough speak', () => {
    const weights = Float64Array.of(1, 1e-3, 1e-4, 0);
    expect(effectiveNumber(softened(weights, 2))).toBeGreaterThanOrEqual(2);
    expect(softened(weights, 1)).toEqual(weights);
    expect(softened(weights, 2)[3]).toBe(0);
    expect(softened(Float64Array.of(1, 1e-300), 2)).toEqual(Float64Array.of(1, 1));
  });
});
