import { describe, expect, it } from 'vitest';
import { asFound, FOUND, openFourGas, prepare, wholeRun } from '../run/four-gas.fixture';
import { draftNotice } from './notice';

const item = { maker: 'Ordfell', model: 'OF-410', serial: 'S-1', tag: 'YARD-7' };
const draft = (found: Record<string, string>, lastGood: string | null = '2026-05-02') => {
  const run = asFound(prepare(openFourGas()), found);
  return draftNotice({ procedure: run.procedure, state: run.state, item, lastGood, found: '2026-11-24', laboratory: 'Workshop' });
};

describe('the notice of an as-found out of tolerance (ISO/IEC 17025:2017, 7.10.1)', () => {
  it('names each channel that was outside, with size, direction, tolerance and period', () => {
    const notice = draft(FOUND)!;
    expect(notice.facts.map((fact) => fact.label)).toEqual(['H₂S']);
    expect(notice.facts[0]).toMatchObject({ target: '25.00', found: '21.5', error: '-3.50', tolerance: '2.5' });
    expect(notice.body).toContain('showed 21.5 ppm instead of 25.00 ppm, 3.50 ppm too low (tolerance ± 2.5 ppm');
    expect(notice.body).toContain('readings of H₂S from 2026-05-02 to 2026-11-24');
    expect(notice.body).toContain('an alarm may have come late or not at all');
    expect(notice.subject).toContain('S-1');
  });
  it('too high is said as such, and brings no talk of late alarms', () => {
    const notice = draft({ ...FOUND, 'c-h2s': '28.5' })!;
    expect(notice.body).toContain('3.50 ppm too high');
    expect(notice.body).not.toContain('alarm');
  });
  it('oxygen endangers both ways; a display that ran over its range has no size to be told', () => {
    for (const text of ['17.2', '18.9'])
      expect(draft({ ...FOUND, 'c-h2s': '25.0', 'c-o2': text })!.body).toContain('an alarm may have come late');
    const run = asFound(prepare(openFourGas()), { ...FOUND, 'c-h2s': '25.0' });
    const reading = run.state.readings.find((one) => one.channel === 'c-co' && one.point === 'span')!;
    reading.reading = { ...reading.reading, text: 'over', status: 'over' };
    Object.assign(reading.judgement, { code: 'over', state: 'outside', error: null, expanded: null });
    const drafted = () =>
      draftNotice({
        procedure: run.procedure,
        state: run.state,
        item: { ...item, tag: '' },
        lastGood: null,
        found: '2026-11-24',
        laboratory: 'W',
      })!;
    expect(drafted().body).toMatch(/CO, gas: showed over its range instead of [\d.]+ ppm \(tolerance/);
    expect(drafted().body).not.toContain('your )');
    expect(drafted().body).not.toContain('alarm');
    // Under its range it reads low: the alarm comes late.
    reading.reading = { ...reading.reading, text: 'under', status: 'under' };
    expect(drafted().body).toContain('an alarm may have come late');
  });
  it('without an earlier calibration it does not pretend to know since when', () => {
    expect(draft(FOUND, null)!.body).toContain('no earlier calibration of it on record');
  });
  it('it leaves what follows to the customer', () => {
    expect(draft(FOUND)!.body).toMatch(/for you to decide, by your own rules and the codes that apply/);
  });
  it('nothing outside is nothing to tell, nor is a reading that does not count (auto-zeroed)', () => {
    expect(draft({ ...FOUND, 'c-h2s': '25.0' })).toBeNull();
  });
  it('a reading that was struck out is not told', () => {
    const run = wholeRun();
    const seq = run.state.readings.find(
      (reading) => reading.channel === 'c-h2s' && reading.phase === 'asFound' && reading.point === 'span',
    )!.seq;
    run.state.readings
      .find((reading) => reading.seq === seq)!
      .flags.push({ code: 'struck', reason: 'misread', by: 'Tess', seq: 999 });
    expect(
      draftNotice({ procedure: run.procedure, state: run.state, item, lastGood: null, found: '2026-11-24', laboratory: 'W' }),
    ).toBeNull();
  });
});
