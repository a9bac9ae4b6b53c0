import { describe, expect, it } from 'vitest';
import { airCalibrationTarget } from '@/core/oxygen/air-calibration';
import { parseLine } from '@/instruments/parse-line';
import { pour } from './liquid';
import { METER_MODELS } from './meter-models';
import { PROBE_FAULTS } from './probe-fault';
import { SimulatedMeter } from './simulated-meter';

const label = (substance: string, value: string, unit: string) => ({ substance, value, unit });
const SEVEN = label('technical-7.00', '7.00', 'pH');
const FOUR = label('technical-4.01', '4.01', 'pH');
const TEN = label('technical-10.01', '10.01', 'pH');
const KCL = label('kcl-1413', '1413', 'µS/cm');

function meterOf(model: string, fault = 'sound') {
  const meter = new SimulatedMeter(METER_MODELS[model]!, 'S-1', PROBE_FAULTS[fault], 3);
  const slot = (role: string) => METER_MODELS[model]!.roles.indexOf(role as 'ph') + 1;
  const pass = (seconds: number) => {
    for (let i = 0; i < seconds; i += 0.5) meter.tick(0.5);
  };
  return {
    meter,
    pass,
    shown: (role: string) => meter.frame().readings.find((one) => one.slot === slot(role))!,
    dip: (...poured: ReturnType<typeof label>[]) => {
      meter.bench({ poured: { poured, temperatureC: 25 } });
      meter.world.roomC = 25;
      pass(120);
    },
    press: (key: 'span' | 'save' | 'discard', role = 'ph', value?: string) =>
      meter.press({ id: 'k', key, slot: slot(role), ...(value ? { value } : {}) }),
  };
}

describe('a simulated meter', () => {
  it('all that it says is read by the one parser, hello and facts too', () => {
    for (const model of Object.keys(METER_MODELS)) {
      const { meter } = meterOf(model);
      for (const said of [meter.hello(new Date()), meter.frame(), meter.facts(new Date())])
        expect(parseLine(JSON.stringify(said)), `${model} ${said.type}`).toMatchObject({ ok: true });
    }
  });
  it('follows buffer after buffer; calibrated, it shows their values, and tells slope and offset', () => {
    const { dip, press, shown, meter } = meterOf('PG-22');
    for (const buffer of [SEVEN, FOUR]) {
      dip(buffer);
      expect(press('span').answer.ok).toBe(true);
    }
    dip(SEVEN);
    expect(Number(shown('ph').text)).toBeCloseTo(7.0, 1);
    expect(Number(meter.facts(new Date()).probe!.slopePercent)).toBeCloseTo(98.5, 0);
  });
  it('of fixed order begins with 7; a digital probe keeps nothing until it is applied, and nothing of what is discarded', () => {
    const fixed = meterOf('SM-11');
    fixed.dip(FOUR);
    expect(fixed.press('span').answer).toMatchObject({ ok: false, why: 'begins with buffer 7' });
    const digital = meterOf('PG-3P');
    digital.dip(SEVEN);
    const before = digital.shown('ph').text;
    expect(digital.press('span').answer.ok).toBe(true);
    expect(digital.meter.frame().mode).toBe('unsaved');
    expect(digital.press('discard').notices).toMatchObject([{ notice: 'saveLost' }]);
    expect(Math.abs(Number(digital.shown('ph').text) - Number(before))).toBeLessThan(0.03);
    expect(digital.press('save').answer).toMatchObject({ ok: false });
  });
  it('auto units: over 1999 µS/cm it shows mS/cm, the other range says so', () => {
    const { dip, shown } = meterOf('SM-11');
    dip(KCL);
    expect([shown('ec').status, shown('ecHigh').status]).toEqual(['value', 'under']);
    dip(label('kcl-12880', '12.88', 'mS/cm'));
    expect(shown('ec').status).toBe('over');
    expect(Math.abs(Number(shown('ecHigh').text) - 12.88)).toBeLessThan(0.25);
  });
  it('water-saturated air: what it shows is what Benson and Krause 1984 give for the pressure, within a step or two, once accepted', () => {
    const { meter, pass, press, shown } = meterOf('SM-20');
    meter.bench({ sleeve: true, pressureHPa: 900 });
    pass(120);
    press('span', 'do');
    const target = airCalibrationTarget({ temperatureC: 22, pressureHPa: 900 });
    expect(Math.abs(Number(shown('do').text) - target.mgPerL)).toBeLessThan(0.06);
    expect(Math.abs(Number(shown('sat').text) - 100)).toBeLessThan(0.3);
  });
  it.each([
    ['bubbles', 'stir', 'SM-11', 'ec', KCL],
    ['dirtyCell', 'clean', 'SM-11', 'ec', KCL],
  ] as const)('%s: cured by %s, by nothing else', (fault, cure, model, role, liquid) => {
    const { meter, dip, shown, pass } = meterOf(model, fault);
    dip(liquid);
    expect(Number(shown(role).text)).toBeLessThan(1320);
    meter.bench({ care: 'membrane' });
    pass(20);
    expect(Number(shown(role).text)).toBeLessThan(1320);
    meter.bench({ care: cure });
    pass(20);
    expect(Number(shown(role).text)).toBeGreaterThan(1380);
  });
  it('a cracked glass reads alike in every buffer, and takes no second point', () => {
    const { dip, press, shown } = meterOf('PG-22', 'crackedGlass');
    const seen = [SEVEN, FOUR, TEN].map((buffer) => {
      dip(buffer);
      return Number(shown('ph').raw);
    });
    expect(Math.max(...seen) - Math.min(...seen)).toBeLessThan(6);
    dip(SEVEN);
    press('span');
    dip(FOUR);
    expect(press('span', 'ph', '4.01').answer.ok).toBe(false);
  });
  it('a liquid is worth what its label’s table says at its own temperature; without one a salt conducts 2 % more a °C (common practice)', () => {
    expect(pour([KCL], 20).conductivity).toBe(1278);
    expect(pour([label('salt-731', '731', 'µS/cm')], 30).conductivity).toBeCloseTo(804.1, 1);
    expect(
      pour(
        [
          {
            ...SEVEN,
            table: [
              [20, 7.01],
              [24, 6.99],
            ],
          },
        ],
        22,
      ).pH,
    ).toBeCloseTo(7, 9);
  });
});
