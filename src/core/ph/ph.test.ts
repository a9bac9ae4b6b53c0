import { describe, expect, it } from 'vitest';
import { BUFFER_IDS, bufferValue, type BufferId } from './buffer-value';
import { nernstSlope } from './nernst-slope';
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
