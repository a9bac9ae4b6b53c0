import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { BUFFER_SETS, buffersOfSet } from './buffer-sets';
import { BUFFER_IDS, bufferValue, type BufferId } from './buffer-value';
import { electrodeCondition } from './electrode-condition';
import { electrodeResponse } from './electrode-response';
import { fitElectrode, type ElectrodePoint } from './fit-electrode';
import { nernstSlope } from './nernst-slope';
import { phFromMillivolts } from './ph-from-millivolts';
import { recogniseBuffer } from './recognise-buffer';

describe('pH', () => {
  it.each([
    [0, 54.1988],
    [20, 58.1672],
    [25, 59.1593],
    [37, 61.5404],
  ])('Nernst slope at %i °C is %d mV (CODATA 2018, computed)', (temperatureC, slope) => {
    expect(nernstSlope({ temperatureC })).toBeCloseTo(slope, 4);
  });
  const AT = [0, 10, 20, 25, 30, 40, 50];
  it.each<[BufferId, number[], string]>([
    ['phthalate', [4.0, 3.997, 4.001, 4.005, 4.011, 4.027, 4.05], 'IUPAC 2002 / DIN 19266; memory'],
    ['phosphate', [6.984, 6.923, 6.881, 6.865, 6.853, 6.838, 6.833], 'IUPAC 2002 / DIN 19266; memory'],
    ['phosphate-physiological', [7.534, 7.472, 7.429, 7.413, 7.4, 7.38, 7.367], 'IUPAC 2002 / DIN 19266; memory'],
    ['borax', [9.464, 9.332, 9.225, 9.18, 9.139, 9.068, 9.011], 'IUPAC 2002 / DIN 19266; memory'],
    ['carbonate', [10.317, 10.179, 10.062, 10.012, 9.966, 9.889, 9.828], 'IUPAC 2002 / DIN 19266; memory'],
    ['technical-4.01', [4.01, 4.0, 4.0, 4.01, 4.02, 4.03, 4.06], 'typical bottle label; memory'],
    ['technical-7.00', [7.12, 7.06, 7.02, 7.0, 6.99, 6.97, 6.97], 'typical bottle label; memory'],
    ['technical-10.01', [10.32, 10.18, 10.06, 10.01, 9.97, 9.89, 9.83], 'typical bottle label; memory'],
  ])('%s over temperature', (buffer, values) => {
    expect(AT.map((temperatureC) => bufferValue({ buffer, temperatureC }))).toEqual(values);
  });
  it('stays between its neighbours and refuses to go beyond the table', () => {
    for (const buffer of BUFFER_IDS) expect(() => bufferValue({ buffer, temperatureC: 51 })).toThrow(RangeError);
    expect(bufferValue({ buffer: 'phthalate', temperatureC: 27.5 })).toBeCloseTo(4.008, 6);
  });
  it('recognises a buffer from millivolts, and says nothing when none or two fit', () => {
    const set: BufferId[] = ['technical-4.01', 'technical-7.00', 'technical-10.01'];
    expect(recogniseBuffer({ millivolts: 171, temperatureC: 25, set })).toEqual({ buffer: 'technical-4.01', pH: 4.01 });
    expect(recogniseBuffer({ millivolts: -171, temperatureC: 25, set })?.buffer).toBe('technical-10.01');
    expect(recogniseBuffer({ millivolts: 90, temperatureC: 25, set })).toBeNull();
    expect(recogniseBuffer({ millivolts: 0, temperatureC: 25, set: ['phosphate', 'technical-7.00'] })).toBeNull();
  });
});

describe('buffers of a lot, and recognition', () => {
  it('the table on the bottle overrides the shipped one', () => {
    expect(
      bufferValue({
        buffer: 'technical-7.00',
        temperatureC: 22,
        lotTable: [
          [20, 7.01],
          [24, 6.99],
        ],
      }),
    ).toBeCloseTo(7, 12);
    expect(() =>
      bufferValue({
        buffer: 'technical-7.00',
        temperatureC: 25,
        lotTable: [
          [20, 7.01],
          [24, 6.99],
        ],
      }),
    ).toThrow(/temperatureC/);
    expect(() =>
      bufferValue({
        buffer: 'technical-7.00',
        temperatureC: 20,
        lotTable: [
          [20, 7],
          [20, 7],
        ],
      }),
    ).toThrow(/table/);
  });
  // Common practice: the number on a technical bottle is its pH at 25 °C, of those for 20 °C at 20 °C.
  it('ten sets; each buffer is worth at its nominal temperature what stands on it', () => {
    expect(Object.keys(BUFFER_SETS)).toHaveLength(10);
    const numbered = Object.values(BUFFER_SETS)
      .flat()
      .map((buffer) => [buffer, /-(\d+\.\d+)$/.exec(buffer)?.[1]] as const)
      .filter(([, number]) => number);
    expect(numbered.length).toBeGreaterThan(15);
    for (const [buffer, number] of numbered)
      expect(bufferValue({ buffer, temperatureC: buffer.startsWith('technical20') ? 20 : 25 }), buffer).toBe(Number(number));
    for (const set of Object.values(BUFFER_SETS)) {
      const values = set.map((buffer) => bufferValue({ buffer, temperatureC: 25 }));
      expect([...values].sort((a, b) => a - b)).toEqual(values);
    }
    expect([buffersOfSet('own'), buffersOfSet(undefined), buffersOfSet('toString')]).toEqual([null, null, null]);
  });
  it('a worn electrode (92 %, 25 mV off) still has its buffer recognised; tetroxalate below 5 °C is no candidate', () => {
    const set: BufferId[] = ['technical-4.01', 'technical-7.00', 'technical-10.01'];
    const worn = (pH: number) => 25 + 0.92 * nernstSlope({ temperatureC: 25 }) * (7 - pH);
    expect([4.01, 7, 10.01].map((pH) => recogniseBuffer({ millivolts: worn(pH), temperatureC: 25, set })?.pH)).toEqual([
      4.01, 7, 10.01,
    ]);
    expect(recogniseBuffer({ millivolts: 160, temperatureC: 2, set: ['tetroxalate', 'phthalate'] })?.buffer).toBe('phthalate');
    expect(() => recogniseBuffer({ millivolts: 0, temperatureC: 60, set })).toThrow(/temperatureC/);
  });
});

describe('electrode', () => {
  const ideal = (pH: number, temperatureC: number, percent = 100, offset = 0): ElectrodePoint => ({
    pH,
    temperatureC,
    millivolts: offset + (percent / 100) * nernstSlope({ temperatureC }) * (7 - pH),
  });

  it('one point gives the offset only, and says so', () => {
    const electrode = fitElectrode({ points: [ideal(6.86, 25, 100, 12)] });
    expect(electrode.segments).toEqual([]);
    expect(electrode.offsetMv).toBeCloseTo(12, 9);
    expect(electrode.zeroPointPH).toBeCloseTo(7 + 12 / 59.1593, 5);
    expect(electrodeCondition({ electrode }).reasons[0]!.code).toBe('noSlope');
  });
  it('three buffers: two segments with their own slopes, offset at pH 7, order of the points does not matter (IUPAC 2002, multi-point)', () => {
    const points = [ideal(10.01, 25, 96, 5), ideal(4.01, 25, 99, 5), { pH: 7, temperatureC: 25, millivolts: 5 }];
    const electrode = fitElectrode({ points });
    expect(electrode.segments.map((one) => [one.fromPH, one.toPH])).toEqual([
      [4.01, 7],
      [7, 10.01],
    ]);
    expect(electrode.segments[0]!.slopePercent).toBeCloseTo(99, 9);
    expect(electrode.segments[1]!.slopePercent).toBeCloseTo(96, 9);
    expect(electrode.offsetMv).toBeCloseTo(5, 9);
    expect(fitElectrode({ points: [...points].reverse() })).toEqual(electrode);
  });
  it('buffers at different temperatures: the slope in per cent is that of the electrode, not of the room', () => {
    const electrode = fitElectrode({ points: [ideal(4.0, 10, 97, 3), ideal(7.02, 20, 97, 3)] });
    expect(electrode.segments[0]!.slopePercent).toBeCloseTo(97, 9);
    expect(electrode.offsetMv).toBeCloseTo(3, 9);
  });
  it('mV to pH to mV comes back, over segments, slopes and temperatures; pH falls as mV rises', () => {
    const slopes = fc.array(fc.double({ min: 85, max: 105, noNaN: true }), { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(
        slopes,
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 14, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (percents, offset, pH, temperatureC) => {
          const pHs = [4.01, 7, 10.01, 12.45].slice(0, percents.length + 1);
          let millivolts = offset + (percents[0]! / 100) * nernstSlope({ temperatureC }) * (7 - pHs[0]!);
          const points = pHs.map((value, i) => {
            if (i > 0) millivolts -= (percents[i - 1]! / 100) * nernstSlope({ temperatureC }) * (value - pHs[i - 1]!);
            return { pH: value, millivolts, temperatureC };
          });
          const electrode = fitElectrode({ points });
          points.forEach((point) => expect(phFromMillivolts({ electrode, ...point })).toBeCloseTo(point.pH, 9));
          const at = (value: number) => {
            const segment = electrode.segments.findIndex((one) => value <= one.toPH);
            const index = segment < 0 ? electrode.segments.length - 1 : segment;
            return points[index]!.millivolts - electrode.segments[index]!.slopeMvPerPH * (value - points[index]!.pH);
          };
          expect(phFromMillivolts({ electrode, millivolts: at(pH), temperatureC })).toBeCloseTo(pH, 8);
          expect(phFromMillivolts({ electrode, millivolts: at(pH) + 1, temperatureC })).toBeLessThan(pH);
        },
      ),
    );
  });
  it('refuses the same pH twice, no point, and a slope that is none', () => {
    expect(() => fitElectrode({ points: [ideal(7, 25), ideal(7, 20)] })).toThrow(/points.*7 twice/);
    expect(() => fitElectrode({ points: [] })).toThrow(RangeError);
    const cracked = fitElectrode({
      points: [
        { pH: 4.01, millivolts: 20, temperatureC: 25 },
        { pH: 7, millivolts: 20, temperatureC: 25 },
      ],
    });
    expect(cracked.zeroPointPH).toBeNull();
    expect(() => phFromMillivolts({ electrode: cracked, millivolts: 0, temperatureC: 25 })).toThrow(/slopePercent/);
  });
  it.each([
    [98, 0, 'good', 'slopeGood'],
    [95, 0, 'good', 'slopeGood'],
    [93, 0, 'caution', 'slopeLow'],
    [89, 0, 'fail', 'slopeTooLow'],
    [106, 0, 'fail', 'slopeTooHigh'],
    [0, 0, 'fail', 'noResponse'],
    [98, 31, 'fail', 'offsetHigh'],
  ])(
    'slope %d %%, offset %d mV: %s, %s (90 to 105 %% and ± 30 mV: USP <791>, memory; 95 %% common practice)',
    (slopePercent, offsetMv, condition, code) => {
      const verdict = electrodeCondition({
        electrode: { segments: [{ fromPH: 4.01, toPH: 7, slopeMvPerPH: slopePercent * 0.59, slopePercent }], offsetMv },
      });
      expect(verdict.condition).toBe(condition);
      expect(verdict.reasons.map((reason) => reason.code)).toContain(code);
    },
  );
  it('a check reading of 7.02 in buffer 7.00 is inside ± 0.1 (common practice); a slow electrode is a caution', () => {
    expect(Math.abs(7.02 - bufferValue({ buffer: 'technical-7.00', temperatureC: 25 }))).toBeLessThanOrEqual(0.1);
    const samples = [0, 20, 40, 60, 80, 100].map((seconds) => ({ seconds, value: 7 - 0.5 * Math.exp(-seconds / 30) }));
    const responseSeconds = electrodeResponse({ samples, settled: 7 });
    expect(responseSeconds).toBe(80);
    expect(electrodeCondition({ electrode: { segments: [], offsetMv: 0 }, responseSeconds: responseSeconds! }).condition).toBe(
      'caution',
    );
    expect(
      electrodeResponse({
        samples: [
          { seconds: 0, value: 7 },
          { seconds: 5, value: 6 },
        ],
        settled: 7,
      }),
    ).toBeNull();
  });
});
