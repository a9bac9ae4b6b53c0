import { describe, expect, it } from 'vitest';
import { parseCommand } from './command-schema';

describe('a posted command', () => {
  it.each([
    { type: 'completeStep', step: 's', conditions: { temperatureC: 'two', pressureHPa: '1013' } },
    { type: 'completeStep', step: 's', answers: { pump: { value: 'fault', note: 'does not stop' }, horn: { value: 'pass' } } },
    { type: 'captureReading', step: 's', point: 'gas', channel: 'c', text: '0.50', inputs: { temperatureC: '21.5' } },
    { type: 'adjust', step: 's', channels: ['c'], outcome: 'passed', readBack: { raw: '0.71' } },
    {
      type: 'bump',
      step: 's',
      channels: { c: { moved: true, rightWay: false, shown: '5' } },
      outputs: { horn: true, light: false },
    },
  ])('keeps every entry of its maps: $type', (command) => {
    expect(parseCommand(command)).toEqual(command);
  });

  it('strips what no command knows, and leaves out maps that were not given', () => {
    expect(parseCommand({ type: 'completeStep', step: 's', actor: 'somebody else' })).toEqual({
      type: 'completeStep',
      step: 's',
    });
  });

  it.each([
    [{ type: 'start', started: {} }, /start/],
    [{ type: 'toString' }, /toString/],
    [null, /not something/],
    [{ type: 'strike', seq: 0, reason: 'misread' }, /seq/],
    [{ type: 'strike', seq: 3, reason: 'x' }, /few words/],
    [{ type: 'completeStep', step: 's', conditions: { temperatureC: { $gt: 1 } } }, /temperatureC/],
    [{ type: 'completeStep', step: 's', conditions: { temperatureC: 'x'.repeat(61) } }, /temperatureC/],
    [{ type: 'bump', step: 's', channels: { c: { moved: 'perhaps', rightWay: true } }, outputs: {} }, /moved/],
  ])('refuses %j', (command, message) => {
    expect(() => parseCommand(command)).toThrow(message);
  });
});
