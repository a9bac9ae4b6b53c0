import { describe, expect, it } from 'vitest';
import type { Procedure } from '../procedure/procedure';
import { fourGasChannels, wholeRun } from '../run/four-gas.fixture';
import { emptyState, type RunState } from '../record/state';
import { describeAdjustments, describeBumps, describeChannel, describeChecks, describeMethod, describeRemarks } from './describe';
import { tracesOf } from './traces';

const at = { seq: 1, at: '2026-11-24T10:00:00Z' };
const stateWith = (rest: object): RunState => Object.assign(emptyState('r'), { channels: fourGasChannels }, rest);
const h2s = fourGasChannels.find((one) => one.id === 'c-h2s')!;

describe('what was done, in the words of the paper', () => {
  it('tolerances: one limb, both, and the zero’s own; a sensor without a serial says nothing of it', () => {
    const tolerance = (given: object) => describeChannel({ ...h2s, tolerance: given } as never, 'en').tolerance;
    expect(tolerance({ absolute: '2' })).toBe('± 2 ppm');
    expect(tolerance({ percentOfTarget: '10' })).toBe('± 10 % of the value');
    expect(tolerance({ absolute: '2', percentOfTarget: '10', zero: '1' })).toBe(
      '± 2 ppm or ± 10 % of the value, the greater; at zero ± 1 ppm',
    );
    expect(tolerance({})).toBe('');
    expect(describeChannel({ ...h2s, sensorSerial: undefined } as never, 'en').sensorSerial).toBe('');
  });
  it('adjustments: none, the second try said as such, a struck one left out, saved with what was read back and without', () => {
    expect(describeAdjustments(stateWith({}))).toEqual(['Nothing was adjusted: as left is as found.']);
    const one = { ...at, step: 's', action: 'span', channels: ['c-h2s', 'gone'], outcome: 'passed', iteration: 1, struck: false };
    const lines = describeAdjustments(
      stateWith({
        adjustments: [one, { ...one, iteration: 2, outcome: 'failed' }, { ...one, struck: true, channels: ['c-co'] }],
        saves: [
          { ...at, step: 's', outcome: 'saved', readBack: '2026-11-24' },
          { ...at, step: 's', outcome: 'saved' },
        ],
      }),
    );
    expect(lines).toHaveLength(4);
    expect(lines[0]).toMatch(/^Span: H₂S, gone, passed/);
    expect(lines[1]).toMatch(/failed.*second try|second try.*failed/i);
    expect(lines.join(' ')).not.toContain('CO');
    expect(lines[2]).toContain('2026-11-24');
    expect(lines[3]).not.toContain('read back');
  });
  it('a bump: moved, the wrong way, not at all; outputs that work and one that is dead', () => {
    const [bump] = describeBumps(
      stateWith({
        bumps: [
          {
            ...at,
            method: 'watched',
            channels: {
              'c-h2s': { moved: true, rightWay: true, before: '0.0', shown: '18.0', t90Seconds: 12 },
              'c-o2': { moved: true, rightWay: false },
              'c-ex': { moved: false, rightWay: false },
            },
            outputs: { sound: false, light: true },
            outcome: 'failed',
          },
        ],
      }),
      'en',
    );
    expect(bump!.channels[0]).toMatch(/^H₂S .*0\.0.*18\.0.*T90 12 s$/);
    expect(new Set(bump!.channels.map((one) => one.split(' ').slice(1).join(' '))).size).toBe(3);
    expect(bump!.outputs[0]).not.toBe(bump!.outputs[1]!.replace('light', 'sound'));
    expect(bump!.verdict).toBe('failed');
  });
  it('answers: with a note, a figure as typed, nothing of one left empty or of a question that is no longer asked', () => {
    const procedure = {
      steps: [
        {
          id: 'g',
          kind: 'group',
          title: '',
          order: 'fixed',
          steps: [
            {
              id: 'look',
              kind: 'check',
              title: '',
              items: [
                { id: 'a', label: 'Housing', answer: 'passFault' },
                { id: 'b', label: 'Flow', answer: 'number' },
                { id: 'c', label: 'Empty', answer: 'text' },
              ],
            },
          ],
        },
      ],
    } as unknown as Procedure;
    const answers = {
      'g/look/a': { value: 'fault', note: 'cracked', seq: 1 },
      'g/look/b': { value: '0.5', seq: 2 },
      'g/look/c': { value: '', seq: 3 },
      'old/x': { value: 'yes', seq: 4 },
    };
    expect(describeChecks(procedure, stateWith({ answers }), 'en')).toEqual([
      { what: 'Housing', answer: 'fault: cracked' },
      { what: 'Flow', answer: '0.5' },
    ]);
  });
  it('remarks: one person for both, care with and without a note, a part without an old serial, cross-checks, readings struck or set aside', () => {
    const reading = {
      ...at,
      channel: 'c-h2s',
      phase: 'check',
      reading: { text: '24.5', unit: 'ppm' },
      target: { sentence: 'bottle 2' },
      judgement: { state: 'within' },
      flags: [],
    };
    const remarks = describeRemarks(
      stateWith({
        samePerson: true,
        cares: [
          { ...at, action: 'Cleaned', note: 'pepsin' },
          { ...at, action: 'Soaked' },
        ],
        parts: [{ ...at, part: 'sensor', newSerial: 'N-1' }],
        readings: [
          reading,
          { ...reading, judgement: { state: 'outside' } },
          { ...reading, phase: 'asFound', flags: [{ code: 'struck', reason: 'misread' }] },
          { ...reading, phase: 'asFound', flags: [{ code: 'referenceStruck', reason: 'empty bottle' }] },
        ],
      }),
      'en',
    );
    expect(remarks).toHaveLength(8);
    expect(new Set(remarks).size).toBe(8);
    expect(remarks[1]).toContain('pepsin');
    expect(remarks[5]).toContain('N-1');
    expect(remarks[6]).toContain('misread');
    expect(remarks[7]).toContain('empty bottle');
  });
  it('the method names the regulator and flow that were used, each once; nothing of a bottle that never flowed', () => {
    const binding = { ...at, slot: 'mix', by: 'T', released: false, struck: null, reference: { id: 'b' }, flowLPerMin: '0.5' };
    const said = (bindings: object[], stimuli: object[]) =>
      describeMethod({ method: 'By comparison.' } as Procedure, stateWith({ bindings, stimuli }), 'en');
    expect(said([binding], [])).toBe('By comparison.');
    expect(said([binding, { ...binding, seq: 2 }], [{ binding: 1 }, { binding: 2 }])).toBe('By comparison. Gas at 0.5 L/min.');
    expect(said([{ ...binding, regulator: { name: 'Regulator', lot: 'RG-1' } }], [{ binding: 1 }])).toContain('RG-1');
    expect(said([{ ...binding, struck: { reason: 'x' } }], [{ binding: 1 }])).toBe('By comparison.');
  });
});

describe('traces behind readings', () => {
  it('every point and channel of a read step with a kept trace, by its hash; none where nothing was kept', () => {
    const run = wholeRun();
    expect(tracesOf(run.procedure, run.state)).toEqual([]);
    const read = run.state.readings.find((one) => one.phase === 'asLeft' && one.point === 'span')!;
    run.state.steps[read.step]!.trace = { id: 't', hash: 'abc', frames: 40, fromAt: '', toAt: '' };
    const traces = tracesOf(run.procedure, run.state);
    expect(traces.length).toBeGreaterThan(0);
    expect(traces[0]).toMatchObject({ hash: 'abc', point: read.point });
    expect(traces.every((one) => one.label && one.pointLabel && one.unit)).toBe(true);
  });
});
