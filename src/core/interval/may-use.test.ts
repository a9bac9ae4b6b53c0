import { describe, expect, it } from 'vitest';
import { mayUseOn, type UseFacts } from './may-use';

const TODAY = '2026-11-29';
const SOUND: UseFacts = {
  status: 'inUse',
  inHouse: false,
  nextDue: TODAY,
  asLeft: 'within',
  bumped: true,
  lastBump: { day: TODAY, passed: true },
};
const of = (change: Partial<UseFacts>) => mayUseOn({ ...SOUND, ...change }, TODAY);

describe('may it be used today', () => {
  it('up to the end of its due day, bumped today', () => {
    expect(of({})).toMatchObject({ may: 'yes', why: { numbers: { day: TODAY } } });
    expect(of({ nextDue: '2026-11-28' })).toMatchObject({ may: 'no', why: { code: 'use.overdue' } });
    expect(of({ lastBump: { day: '2026-11-28', passed: true } }).may).toBe('bumpFirst');
    expect(of({ lastBump: null }).may).toBe('bumpFirst');
    // A meter for water is not bumped.
    expect(of({ bumped: false, lastBump: null }).may).toBe('yes');
  });
  it.each<[Partial<UseFacts>, string]>([
    [{ inHouse: true }, 'use.inHouse'],
    [{ status: 'outside' }, 'use.outside'],
    [{ status: 'retired' }, 'use.retired'],
    [{ asLeft: null }, 'use.neverCalibrated'],
    [{ nextDue: null }, 'use.neverCalibrated'],
    [{ asLeft: 'outside' }, 'use.leftOutside'],
    [{ lastBump: { day: TODAY, passed: false } }, 'use.bumpFailed'],
    // A bump that failed yesterday is not forgotten overnight.
    [{ lastBump: { day: '2026-11-28', passed: false } }, 'use.bumpFailed'],
  ])('not with %o', (change, code) => {
    expect(of(change)).toMatchObject({ may: 'no', why: { code } });
  });
});
