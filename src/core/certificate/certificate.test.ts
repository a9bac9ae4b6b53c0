import { describe, expect, it } from 'vitest';
import { adjust, asFound, asLeft, FOUND, LEFT, mix, openFourGas, prepare, signatory, wholeRun } from '../run/four-gas.fixture';
import type { ScriptedRun } from '../run/scripted';
import { canonicalJson, contentHash } from './canonical';
import { checkDocument } from './check/check-document';
import { certificateContent } from './content';
import { revisedContent } from './revised';
import { sourceOf } from './source.fixture';
import { withdrawalContent } from './withdrawal';

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

const contentOf = (run: ScriptedRun) => certificateContent(sourceOf(run));
const approved = () => wholeRun().do({ type: 'approve' }, signatory);
const line = (run: ScriptedRun, channel: string, point = 'Gas') =>
  contentOf(run).results.find((result) => result.channel === channel && result.point === point)!;

describe('the document, version 2', () => {
  it('is a pure function, bears itself out, and names every reference with its traceability', () => {
    expect(contentHash(contentOf(approved()))).toBe(contentHash(contentOf(approved())));
    const content = contentOf(approved());
    expect(checkDocument(content)).toEqual([]);
    expect(content).toMatchObject({ schema: 'werkbank-certificate/2', kind: 'calibration', title: 'Calibration certificate' });
    expect(content.references.every((one) => one.traceability)).toBe(true);
    expect(content.environment).toMatchObject({
      temperatureC: { value: '21.5', expanded: '0.3', k: '2', equipment: 'ref-hygrometer' },
      pressureHPa: { equipment: 'ref-barometer' },
    });
  });
  it('as found and as left each with their own reference, limits, budget, U and verdict', () => {
    const h2s = line(approved(), 'c-h2s');
    expect(h2s.found).toMatchObject({
      reading: '21.5',
      verdict: 'outside',
      limits: { upper: '2.5' },
      referenceId: 'ref-mix',
      counts: true,
    });
    expect(Number(h2s.found!.deviation)).toBe(-3.5);
    expect(h2s.left).toMatchObject({ reading: '25.0', verdict: 'within' });
    expect(h2s.adjusted).toBe(true);
    expect(h2s.found!.budget.map((one) => one.name)).toContain('reference as certified');
  });
  it('a bottle changed in mid-run: as found stands beside the first, as left beside the second', () => {
    const other = {
      ...mix,
      id: 'ref-other',
      lot: 'L-9',
      components: mix.components.map((one) => (one.substance === 'H2S' ? { ...one, value: '20.0' } : one)),
    };
    const run = asFound(prepare(openFourGas({}, [mix, other])), { ...FOUND, 'c-h2s': '27.0' });
    run.do({ type: 'bindReference', slot: 'mix', reference: 'ref-other', flowLPerMin: '0.5' });
    const done = asLeft(adjust(run), { ...LEFT, 'c-h2s': '20.0' }).do({ type: 'finish' });
    const h2s = line(done, 'c-h2s');
    // 27.0 − 25.0 = 2.0 within ± 2.5 of the first bottle; 20.0 − 20.0 within ± 2 of the second.
    expect(h2s.found).toMatchObject({ referenceId: 'ref-mix', verdict: 'within', limits: { upper: '2.5' } });
    expect(Number(h2s.found!.reference)).toBe(25);
    expect(h2s.left).toMatchObject({ referenceId: 'ref-other', verdict: 'within', limits: { upper: '2' } });
    expect(Number(h2s.left!.reference)).toBe(20);
    expect(contentOf(done).references.map((one) => one.lot)).toEqual(expect.arrayContaining(['L-2041', 'L-9']));
    expect(checkDocument(contentOf(done))).toEqual([]);
  });
  it('the method says the flow that was used, and which results the statement does not cover', () => {
    const content = contentOf(approved());
    expect(content.method.text).toContain('Gas at 0.5 L/min.');
    expect(content.method.document).toMatch(/^four-gas-leak-monitor\/\d+$/);
    // Its own auto-zero took the as-found zero away: stated, never judged.
    expect(content.conformity.notJudged.join(' ')).toContain('zero, as found'.replace('zero', 'Zero'));
    expect(content.conformity.covers).toContain('H₂S, Gas, as left');
    expect(content.conformity.specification).toMatchObject({ whose: 'maker' });
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
    expect(contentOf(failed)).toMatchObject({ kind: 'limited', title: 'Calibration record of limited scope' });
    expect(line(failed, 'c-h2s').note).toContain('Failed two tries');
  });
  it('a reading set aside with its reference prints neither deviation nor U', () => {
    const run = wholeRun().do({ type: 'sendBack', note: 'bottle recalled' }, signatory);
    run.do({ type: 'strike', seq: run.state.bindings.find((one) => one.slot === 'mix')!.seq, reason: 'lot recalled' });
    expect(line(run, 'c-h2s').left).toMatchObject({
      reading: '25.0',
      reference: null,
      deviation: null,
      expanded: null,
      verdict: 'notJudged',
      why: expect.stringContaining('lot recalled') as string,
    });
  });
  it('never claims an accreditation, says what it relates to, and what the customer supplied (7.8.2.1 l, 7.8.2.2)', () => {
    const text = contentOf(approved()).notices.join(' ');
    expect(text).toContain('relate only to the items calibrated');
    expect(text).toContain('as received');
    expect(text).toContain('reproduced only in full');
    expect(text).toContain('no accreditation is claimed');
    expect(text).not.toContain('supplied');
    expect(certificateContent({ ...sourceOf(approved()), suppliedByCustomer: ['tag'] }).notices.join(' ')).toContain(
      'does not answer for it',
    );
  });
  it('a station’s log is named as results of others', () => {
    const started = openFourGas().state.started!;
    const run = asLeft(adjust(asFound(prepare(openFourGas({ ...started, origin: 'imported' }))))).do({ type: 'finish' });
    expect(contentOf(run)).toMatchObject({ kind: 'imported', title: 'Record of imported station results' });
    expect(contentOf(run).resultsOfOthers[0]).toContain('station');
  });
  it('as found only is a report of its own title', () => {
    const started = openFourGas().state.started!;
    const run = asFound(prepare(openFourGas({ ...started, service: 'asFoundOnly' })));
    expect(contentOf(run)).toMatchObject({ kind: 'asFound', title: 'Report of results as found' });
  });
});

describe('a mistake is mended by a document that says so (7.8.8)', () => {
  it('a reopened run: the corrected reading is judged as things were, the revision names what changed', () => {
    const run = approved();
    const before = contentOf(run);
    run.do({ type: 'reopen', reason: 'slip of the keys' }, signatory);
    const wrong = run.state.readings.find((one) => one.channel === 'c-co' && one.phase === 'asFound' && one.point === 'span')!;
    expect(run.try({ type: 'correct', seq: wrong.seq, reason: 'no change at all' })).toMatchObject({ code: 'nothingChanged' });
    run.do({ type: 'correct', seq: wrong.seq, text: '96', reason: 'slip of the keys' });
    run.do({ type: 'finish' }).do({ type: 'approve' }, signatory);
    const next = revisedContent({ previous: before, next: contentOf(run), reason: 'slip of the keys' });
    expect(next).toMatchObject({ number: before.number, revision: 1, replaces: { revision: 0, reason: 'slip of the keys' } });
    expect(next.replaces!.changed).toEqual(['CO, Gas, as found: 97 (100.0) became 96 (100.0)']);
    const co = next.results.find((one) => one.channel === 'c-co' && one.point === 'Gas')!;
    expect(co.found).toMatchObject({ reading: '96', at: wrong.at });
    expect(checkDocument(next)).toEqual([]);
  });
  it('a wrong bottle found later: the reading is judged against the right one, though the channel was adjusted meanwhile', () => {
    const other = {
      ...mix,
      id: 'ref-other',
      lot: 'L-9',
      components: mix.components.map((one) => (one.substance === 'CO' ? { ...one, value: '105' } : one)),
    };
    const run = wholeRun({}, [mix, other])
      .do({ type: 'approve' }, signatory)
      .do({ type: 'reopen', reason: 'other bottle' }, signatory);
    const wrong = run.state.readings.find((one) => one.channel === 'c-co' && one.phase === 'asFound' && one.point === 'span')!;
    run.do({ type: 'correct', seq: wrong.seq, reference: 'ref-other', reason: 'it was bottle L-9' });
    expect(Number(line(run, 'c-co').found!.reference)).toBe(105);
    expect(Number(line(run, 'c-co').left!.reference)).toBe(100);
  });
  it('only a signatory reopens, and only what is approved', () => {
    expect(approved().try({ type: 'reopen', reason: 'because' })).toMatchObject({ code: 'notAllowed' });
    expect(wholeRun().try({ type: 'reopen', reason: 'because' }, signatory)).toMatchObject({ code: 'wrongStatus' });
  });
  it('a revision names customer, item, references, due date and conditions where they changed (7.8.8.1)', () => {
    const previous = contentOf(approved());
    const next = structuredClone(previous);
    next.customer.address = 'Dock 4';
    next.item.serial = 'S-2';
    next.references.pop();
    next.due = { date: '2027-01-01', reason: 'policy' };
    next.environment.pressureHPa = null;
    next.results = next.results.slice(1).map((one) => ({ ...one, left: null }));
    const { changed } = revisedContent({ previous, next, reason: 'address' }).replaces!;
    expect(changed.length).toBeGreaterThan(5);
    for (const one of [/customer/i, /item|instrument/i, /reference/i, /due/i, /condition/i, /as left/i])
      expect(changed.join('; ')).toMatch(one);
  });
  it('nothing changed is said as such, and a withdrawal names what it takes back', () => {
    const content = contentOf(approved());
    expect(revisedContent({ previous: content, next: content, reason: 'tag' }).replaces!.changed).toEqual(['no figure changed']);
    const withdrawn = withdrawalContent({
      withdrawn: content,
      hash: contentHash(content),
      reason: 'dropped',
      number: 'W-2026-00001',
      previous: null,
      issued: '2026-11-26',
      authorisedBy: signatory,
      authorisedAt: '2026-11-26T10:00:00.000Z',
      software: content.software,
    });
    expect(withdrawn).toMatchObject({
      kind: 'withdrawal',
      withdraws: { number: content.number, reason: 'dropped' },
      results: [],
    });
  });
});
