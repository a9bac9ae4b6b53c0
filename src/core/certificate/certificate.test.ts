import { describe, expect, it } from 'vitest';
import { adjust, asFound, asLeft, FOUND, openFourGas, prepare, signatory, wholeRun } from '../run/four-gas.fixture';
import type { ScriptedRun } from '../run/scripted';
import { canonicalJson, contentHash } from './canonical';
import { certificateContent, revisedContent } from './content';

describe('canonical JSON (RFC 8785)', () => {
  it('numbers, literals and escapes of section 3.2.2', () => {
    const input = {
      numbers: [333333333.33333329, 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
      string: '\u20ac$\u000f\u000aA\'\u0042\u0022\u005c\\"\u002f',
      literals: [null, true, false],
    };
    expect(canonicalJson(input)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });
  it('sorting of section 3.2.3: by UTF-16 code units', () => {
    const input = {
      '\u20ac': 'Euro Sign',
      '\r': 'Carriage Return',
      '\ufb33': 'Hebrew Letter Dalet With Dagesh',
      '1': 'One',
      '\ud83d\ude00': 'Emoji: Grinning Face',
      '\u0080': 'Control',
      '\u00f6': 'Latin Small Letter O With Diaeresis',
    };
    expect([...canonicalJson(input).matchAll(/:"(.*?)"/g)].map((match) => match[1])).toEqual([
      'Carriage Return',
      'One',
      'Control',
      'Latin Small Letter O With Diaeresis',
      'Euro Sign',
      'Emoji: Grinning Face',
      'Hebrew Letter Dalet With Dagesh',
    ]);
  });
  it('the hash is that of the text: SHA-256 of {} (FIPS 180-4, value computed with sha256sum)', () => {
    expect(contentHash({})).toBe('44136fa355b3678a1146ad16f7e8649e94fb4fc21fe77e8310c060f61caaff8a');
    expect(contentHash({ a: 1, b: 2 })).toBe(contentHash({ b: 2, a: 1 }));
  });
});

describe('certificate content', () => {
  const source = (run: ScriptedRun) => ({
    procedure: run.procedure,
    state: run.state,
    number: 'C-2026-00001',
    laboratory: { name: 'Lab', address: 'Street 1', place: 'Bench' },
    customer: { name: 'Yard', address: 'Dock', contact: 'R.' },
    item: { maker: 'M', model: 'LM-4', serial: 'S-1', tag: 'T', condition: ['no fault'] },
    received: '2026-11-23',
    issued: '2026-11-24',
    calibrated: '2026-11-24',
    due: null,
    suppliedByCustomer: [],
    authorisedBy: signatory,
    lastHash: 'ff',
  });
  const approved = () => wholeRun().do({ type: 'approve' }, signatory);
  const line = (run: ScriptedRun, channel: string, point = 'Gas') =>
    certificateContent(source(run)).results.find((result) => result.channel === channel && result.point === point)!;

  it('is a pure function: the same run gives the same hash', () => {
    expect(contentHash(certificateContent(source(approved())))).toBe(contentHash(certificateContent(source(approved()))));
  });
  it('shows as found and as left with deviations, uncertainty to two digits and coverage factor', () => {
    expect(line(approved(), 'c-h2s')).toMatchObject({
      target: '25.0',
      asFound: { text: '21.5', error: '-3.5', state: 'outside' },
      asLeft: { text: '25.0', error: '0.0', state: 'within' },
      tolerance: '2.5',
      expanded: '0.58',
      k: 2,
    });
  });
  it('the uncertainty is that of reference and resolution: 0.5/2 and 0.5/(2·√3) combined, times 2 (JCGM 100:2008, 4.3.7 and 5.1.2)', () => {
    const u = 2 * Math.hypot(0.5 / 2, 0.5 / 2 / Math.sqrt(3));
    expect(Number(line(approved(), 'c-h2s').expanded)).toBeCloseTo(u, 2);
  });
  it('an absent sensor is named, a failed one too, and then it is a record of limited scope', () => {
    const absent = openFourGas({
      channels: openFourGas().state.channels.map((channel) =>
        channel.role === 'co' ? { ...channel, status: 'removed' as const } : channel,
      ),
    });
    const run = asLeft(adjust(asFound(prepare(absent)))).do({ type: 'finish' });
    expect(line(run, 'c-co').note).toBe('Sensor not fitted; not calibrated.');
    const failed = asLeft(adjust(asFound(prepare(openFourGas()), { ...FOUND, 'c-h2s': '5.0' }), { 'c-h2s': 2 })).do({
      type: 'finish',
    });
    expect(certificateContent(source(failed))).toMatchObject({ kind: 'record', title: 'Calibration record of limited scope' });
    expect(line(failed, 'c-h2s').note).toContain('Failed two tries');
  });
  it('never claims an accreditation and says what it relates to (ISO/IEC 17025:2017, 7.8.2.1 l)', () => {
    const text = certificateContent(source(approved())).notices.join(' ');
    expect(text).toContain('relate only to the items calibrated');
    expect(text).toContain('reproduced only in full');
    expect(text).toContain('no accreditation is claimed');
  });
  it('a revision names what it replaces and why, and changes no measured value (7.8.8)', () => {
    const previous = certificateContent(source(approved()));
    const next = revisedContent({
      previous,
      reason: 'customer’s name misspelt',
      issued: '2026-11-25',
      changes: { customer: { name: 'Yard Ltd', address: 'Dock', contact: 'R.' } },
      authorisedBy: signatory,
    });
    expect(next).toMatchObject({
      number: previous.number,
      revision: 1,
      replaces: { number: previous.number, revision: 0, reason: 'customer’s name misspelt' },
      results: previous.results,
    });
    expect(contentHash(next)).not.toBe(contentHash(previous));
  });
});
