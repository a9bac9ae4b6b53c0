import { describe, expect, it } from 'vitest';
import { isRefusal } from '../words/refusal';
import { mix, signatory, technician, wholeRun } from './four-gas.fixture';
import { handle } from './handle';

describe('a reading that was compared with another bottle than was said', () => {
  const run = wholeRun().do({ type: 'approve' }, signatory).do({ type: 'reopen', reason: 'other bottle' }, signatory);
  const wrong = run.state.readings.find((one) => one.channel === 'c-co' && one.phase === 'asFound' && one.point === 'span')!;
  const by = wrong.at.slice(0, 10);
  const correct = (expires: string, day: string) => {
    const other = { ...mix, id: 'ref-other', lot: 'L-9', expires };
    return handle({
      procedure: run.procedure,
      state: run.state,
      command: { type: 'correct', seq: wrong.seq, reference: other.id, reason: 'it was bottle L-9' },
      context: {
        now: '2027-03-01T09:00:00.000Z',
        today: '2027-03-01',
        dayOf: (instant) => (instant === wrong.at ? day : '1999-01-01'),
        actor: technician,
        references: { [other.id]: other },
        allowSamePerson: false,
      },
    });
  };
  it('what had not expired on the day of the reading was sound, though it has expired since', () => {
    expect(isRefusal(correct(by, by))).toBe(false);
  });
  it('that day is the workshop’s: half an hour after its midnight a bottle of yesterday is refused', () => {
    const yesterday = '2026-01-01';
    expect(correct(yesterday, '2026-01-02')).toMatchObject({
      code: 'expired',
      numbers: { expires: yesterday, today: '2026-01-02' },
    });
    expect(isRefusal(correct(yesterday, yesterday))).toBe(false);
  });
});
