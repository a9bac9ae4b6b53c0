import { describe, expect, it } from 'vitest';
import { fourGasChannels, mix } from '../run/four-gas.fixture';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { matchBottles, onChannelScale, type BottleMatch } from './match-bottle';
import { matchRegulator } from './match-regulator';

const today = '2026-11-25';
const [o2, ex, h2s, co] = fourGasChannels as [
  (typeof fourGasChannels)[0],
  (typeof fourGasChannels)[0],
  (typeof fourGasChannels)[0],
  (typeof fourGasChannels)[0],
];
const component = (substance: string, value: string, unit: string, expanded: string) => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
});
const bottle = (id: string, rest: Partial<ReferenceSnapshot>): ReferenceSnapshot => ({ ...mix, id, ...rest });
const match = (bottles: ReferenceSnapshot[], options: Partial<Parameters<typeof matchBottles>[0]> = {}) =>
  matchBottles({ channels: fourGasChannels, bottles, litres: 2, today, purpose: 'span', ...options });
const codes = (one: BottleMatch, channel: string | null) =>
  one.reasons.filter((reason) => reason.channel === channel).map((reason) => reason.code);
/** The ordinary simulant mix (common practice): 1.45 %vol methane, labelled 58 %LEL for a pentane scale. */
const simulant = bottle('simulant', {
  name: 'Simulant 58 %LEL pentane',
  components: [
    component('O2', '15', '%vol', '0.2'),
    component('CH4', '1.45', '%vol', '0.03'),
    component('H2S', '20', 'ppm', '0.4'),
    component('CO', '60', 'ppm', '1'),
  ],
});

describe('matching bottles', () => {
  it('an ordinary four-gas mix serves all four channels', () => {
    const [best] = match([mix]);
    expect(best).toMatchObject({ usable: true, serves: ['c-o2', 'c-ex', 'c-h2s', 'c-co'], runsLeft: 15 });
  });
  it('says why not: missing component, above range, expired, too little left, recalled, out of use', () => {
    const noSulphide = bottle('a', { components: mix.components.filter((one) => one.substance !== 'H2S') });
    expect(codes(match([noSulphide])[0]!, 'c-h2s')).toEqual(['missingComponent']);
    const strong = bottle('b', { components: [...mix.components.slice(0, 3), component('CO', '900', 'ppm', '9')] });
    expect(codes(match([strong])[0]!, 'c-co')).toContain('aboveRange');
    expect(codes(match([bottle('c', { expires: '2026-11-24' })])[0]!, null)).toEqual(['expired']);
    expect(match([bottle('c', { expires: today })])[0]!.usable).toBe(true);
    expect(codes(match([bottle('d', { availableL: '1.9' })])[0]!, null)).toEqual(['tooLittle']);
    expect(codes(match([bottle('e', { recalled: 'H2S low' })])[0]!, null)).toEqual(['recalled']);
    expect(codes(match([bottle('f', { unusable: 'out of use' })])[0]!, null)).toEqual(['unusable']);
  });
  it('methane in plain nitrogen must not span a catalytic sensor; an infrared one may (common practice)', () => {
    const dry = bottle('dry', { components: [component('CH4', '2.5', '%vol', '0.05')] });
    expect(codes(match([dry], { channels: [ex] })[0]!, 'c-ex')).toContain('noOxygen');
    expect(match([dry], { channels: [{ ...ex, principle: 'infrared' }] })[0]!.usable).toBe(true);
  });
  it('1.45 %vol methane is 58 %LEL on a pentane scale and 29 on a methane scale (1.45 ÷ 5.0 × 2; common practice); the label’s number is not set on a methane scale', () => {
    const methane = simulant.components[1]!;
    const pentane = { ...ex, scale: { lelVolPercent: '5.0', relativeResponse: '2', source: 'NFPA 497' } };
    expect(onChannelScale(methane, pentane)!.value).toBe('58');
    expect(onChannelScale(methane, ex)!.value).toBe('29');
    expect(codes(match([simulant], { channels: [ex] })[0]!, 'c-ex')).toContain('simulantNumber');
    expect(codes(match([simulant], { channels: [pentane] })[0]!, 'c-ex')).not.toContain('simulantNumber');
  });
  it('a fixed span value refuses another bottle, a stored one warns', () => {
    const stored = (fixed: boolean) =>
      match([simulant], { channels: [co], stored: [{ channel: 'c-co', value: '100', fixed }] })[0]!;
    expect(codes(stored(true), 'c-co')).toContain('spanValueFixed');
    expect(stored(true).usable).toBe(false);
    expect(codes(stored(false), 'c-co')).toContain('spanValueDiffers');
    expect(stored(false).usable).toBe(true);
  });
  it('a ± 5 % bottle against a ± 5 % tolerance leaves no room for a guarded decision: said', () => {
    const tight = { ...co, tolerance: { percentOfTarget: '5' } };
    const wide = bottle('w', { components: [component('CO', '100', 'ppm', '5')] });
    expect(codes(match([wide], { channels: [tight] })[0]!, 'c-co')).toContain('uncertaintyTooLarge');
    expect(codes(match([mix], { channels: [tight] })[0]!, 'c-co')).not.toContain('uncertaintyTooLarge');
  });
  it('for a bump every channel has to trip its alarm, oxygen by falling below it (15 to 18 %vol does; common practice)', () => {
    const alarms = { 'c-o2': { low: '19.5' }, 'c-co': { low: '35' } };
    expect(match([mix], { channels: [o2, co], purpose: 'bump', alarms })[0]!.usable).toBe(true);
    const air = bottle('air', { components: [component('O2', '20.9', '%vol', '0.2'), component('CO', '20', 'ppm', '1')] });
    const found = match([air], { channels: [o2, co], purpose: 'bump', alarms })[0]!;
    expect(codes(found, 'c-o2')).toContain('noAlarm');
    expect(codes(found, 'c-co')).toContain('noAlarm');
  });
  it('the best one serves most, warns least, and is nearest to its end', () => {
    const later = bottle('later', { expires: '2028-01-31' });
    const sooner = bottle('sooner', { expires: '2027-01-31' });
    const partial = bottle('partial', { components: mix.components.slice(0, 2) });
    expect(match([later, partial, sooner, bottle('old', { expires: '2020-01-31' })]).map((one) => one.bottle.id)).toEqual([
      'sooner',
      'later',
      'partial',
      'old',
    ]);
    expect(match([{ ...mix, kind: 'buffer' }])).toEqual([]);
    expect(h2s.unit).toBe('ppm');
  });
});

describe('regulators (common practice)', () => {
  const regulator = (detail: ReferenceSnapshot['detail'], rest: Partial<ReferenceSnapshot> = {}): ReferenceSnapshot => ({
    id: 'r',
    kind: 'tool',
    role: 'regulator',
    name: 'Regulator',
    lot: 'R-1',
    components: [],
    ...(detail ? { detail } : {}),
    ...rest,
  });
  const fixed = regulator({ flowLPerMin: '0.5', fitting: 'C10' });
  const demand = regulator({ demand: true, fitting: 'C10' });
  const c10 = bottle('c10', { fitting: 'C10' });
  it.each([
    ['fixed flow for diffusion', fixed, {}, 'fits', '0.5'],
    ['demand flow for a pump', demand, { pumped: true }, 'demandFits', '0.5'],
    ['fixed flow on a pump that can be switched off', fixed, { pumped: true, pumpSwitchable: true }, 'pumpOff', '0.5'],
    ['fixed flow on a pump', fixed, { pumped: true }, 'fixedOnPump', '0.5'],
    ['demand flow without a pump', demand, {}, 'demandWithoutPump', null],
  ] as const)('%s', (_name, one, traits, code, flow) => {
    expect(matchRegulator({ regulator: one, bottle: c10, traits })).toMatchObject({ code, flowLPerMin: flow });
  });
  it('another thread and one taken out of use are refused; none chosen is asked for', () => {
    expect(matchRegulator({ regulator: fixed, bottle: bottle('x', { fitting: 'CGA' }), traits: {} })).toMatchObject({
      verdict: 'refused',
      code: 'otherFitting',
    });
    expect(matchRegulator({ regulator: { ...fixed, unusable: 'out of use' }, bottle: c10, traits: {} })).toMatchObject({
      verdict: 'refused',
      code: 'unusable',
    });
    expect(matchRegulator({ regulator: null, bottle: c10, traits: {} }).code).toBe('noRegulator');
  });
});
