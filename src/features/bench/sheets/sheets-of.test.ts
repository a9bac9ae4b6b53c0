import { describe, expect, it } from 'vitest';
import { currentSteps, plan } from '@/core/run/plan';
import { technician } from '@/core/run/four-gas.fixture';
import { ROOM_EQUIPMENT, ROOM_REFERENCES } from '@/core/run/room.fixture';
import { ScriptedRun } from '@/core/run/scripted';
import { MODELS } from '@/processes/seed/catalogue';
import { shippedProcedure } from '@/procedures';
import { pointsOfSheet, sheetsOf, stepInHand } from './sheets-of';

const { procedureId, channels, traits } = MODELS.find((one) => one.name === 'SM-35')!;
const procedure = shippedProcedure(procedureId!)!;
const begin = (roles: string[]) =>
  new ScriptedRun(procedure, {
    run: 'r',
    actor: technician,
    start: new Date('2026-11-26T08:00:00Z'),
    references: ROOM_REFERENCES,
  }).start({
    origin: 'guided',
    service: 'calibrate',
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    items: [{ id: 'body', part: 'body', assetId: 'a', model: 'SM-35', serial: '1', traits }],
    channels: channels
      .filter((channel) => roles.includes(channel.role))
      .map((channel) => ({ ...channel, id: `c-${channel.role}`, item: 'body', status: 'fitted' })),
  });
const CONDITIONS = { temperatureC: '22', pressureHPa: '1010', humidityPercent: '40' };

describe('sheets of a combined instrument', () => {
  it('one a quantity, each with its own steps; a channel that is not there has none', () => {
    const run = begin(['ph', 'ec', 'do', 'sat']);
    expect(sheetsOf(procedure, plan(procedure, run.state)).map((one) => one.name)).toEqual(['Oxygen', 'pH', 'Conductivity']);
    const less = begin(['ph', 'ec']);
    expect(sheetsOf(procedure, plan(procedure, less.state)).map((one) => one.name)).toEqual(['pH', 'Conductivity']);
  });
  it('the chosen sheet is in hand; without a choice the first; and its next step is entered by itself', () => {
    const run = begin(['ph', 'ec', 'do', 'sat']);
    run.do({ type: 'completeStep', step: 'place', conditions: CONDITIONS, equipment: ROOM_EQUIPMENT });
    run.do({ type: 'completeStep', step: 'where', answers: { 'place-of-work': { value: 'bench 2' } } });
    run.do({ type: 'bindReference', slot: 'thermometer', reference: 'ref-thermometer' });
    const sheets = sheetsOf(procedure, plan(procedure, run.state));
    const current = () => currentSteps(procedure, run.state);
    expect(stepInHand(current(), sheets, null)!.key).toBe('sheets/oxygen/look-membrane');
    expect(stepInHand(current(), sheets, 'sheets/ec')!.key).toBe('sheets/ec/look-cell');
    run.do({
      type: 'completeStep',
      step: 'sheets/ec/look-cell',
      answers: { electrodes: { value: 'pass' }, vents: { value: 'pass' } },
    });
    expect(run.state.steps['sheets/ec/ec1413-bottle']).toMatchObject({ status: 'open' });
    expect(run.state.steps['sheets/ph/look']).toBeUndefined();
  });
  it('knows the points that belong to it', () => {
    expect([...pointsOfSheet(procedure.steps, 'sheets/ph')]).toEqual(['seven', 'four', 'ten']);
    expect([...pointsOfSheet(procedure.steps, 'sheets/oxygen')].sort()).toEqual(['air', 'plausible']);
  });
});
