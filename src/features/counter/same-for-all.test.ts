import { expect, it } from 'vitest';
import type { Line } from './line';
import { sameForAll } from './same-for-all';

const line = (serial: string, over: Partial<Line> = {}): Line => ({
  assetId: serial,
  title: 'Any',
  serial,
  measurands: [],
  status: 'inUse',
  service: 'calibrate',
  rule: 'simple',
  promiseOn: '2026-12-04',
  dueAgreed: false,
  note: '',
  asksSamples: [],
  inspection: { case: { result: 'notLookedAt', note: '' }, battery: { result: 'notLookedAt', note: '' } },
  ...over,
});

it('wish, promise and what passed are the first one’s; a fault, a note and what was looked at already stay with theirs', () => {
  const first = line('A', {
    service: 'bumpOnly',
    rule: 'guarded',
    promiseOn: '2026-12-11',
    dueAgreed: true,
    note: 'dropped once',
    inspection: { case: { result: 'pass', note: '' }, battery: { result: 'fault', note: 'swollen' } },
  });
  const seen = line('C', {
    inspection: { case: { result: 'fault', note: 'cracked' }, horn: { result: 'notLookedAt', note: '' } },
  });
  const [a, b, c] = sameForAll([first, line('B'), seen]);
  expect(a).toBe(first);
  expect(b).toMatchObject({ service: 'bumpOnly', rule: 'guarded', promiseOn: '2026-12-11', dueAgreed: true, note: '' });
  expect(b!.inspection).toEqual({ case: { result: 'pass', note: '' }, battery: { result: 'notLookedAt', note: '' } });
  expect(c!.inspection).toEqual({ case: { result: 'fault', note: 'cracked' }, horn: { result: 'notLookedAt', note: '' } });
  expect(sameForAll([])).toEqual([]);
});
