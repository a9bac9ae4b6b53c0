import { describe, expect, it } from 'vitest';
import { certificateContent } from '../certificate/content';
import { sourceOf } from '../certificate/source.fixture';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import type { Procedure } from '../procedure/procedure';
import { validateProcedure } from '../procedure/validate-procedure';
import { fourGasChannels, startedFourGas, technician, wholeRun } from './four-gas.fixture';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { ScriptedRun } from './scripted';

/** Membrane service alone: what it takes is a membrane and electrolyte of the shelf. */
const service: Procedure = {
  ...family04,
  id: 'membrane-service',
  points: [],
  slots: [],
  schools: [],
  steps: [
    {
      id: 'service',
      kind: 'care',
      title: 'Membrane service',
      action: 'New membrane',
      resets: ['o2'],
      uses: ['membrane', 'electrolyte'],
    },
  ],
};
const part = (id: string, role: ReferenceSnapshot['role'], rest: Partial<ReferenceSnapshot> = {}): ReferenceSnapshot =>
  ({ id, kind: 'solution', role, name: id, lot: `L-${id}`, components: [], expires: '2027-01-31', ...rest }) as ReferenceSnapshot;
const open = (references: ReferenceSnapshot[]) =>
  new ScriptedRun(service, { run: 'r', actor: technician, start: new Date('2026-11-24T08:00:00Z'), references }).start({
    ...startedFourGas,
    channels: fourGasChannels,
  });
const shelf = [part('caps', 'membrane'), part('drops', 'electrolyte'), part('old', 'electrolyte', { expires: '2026-10-31' })];

describe('care takes what stands on the shelf', () => {
  it('each kind is named; one that is missing, another kind, or one past its date is refused beside the choice', () => {
    expect(validateProcedure(service)).toEqual([]);
    const run = open(shelf);
    const care = (...materials: string[]) => run.try({ type: 'care', step: 'service', materials });
    expect(care()).toMatchObject({ code: 'careMaterial', field: 'materials', numbers: { what: 'membrane' } });
    expect(care('caps')).toMatchObject({ code: 'careMaterial', numbers: { what: 'electrolyte' } });
    expect(care('caps', 'old')).toMatchObject({ code: 'careSpent', field: 'materials' });
    expect(care('caps', 'nowhere')).toMatchObject({ code: 'careOther' });
    expect(run.state.cares).toEqual([]);
    expect(care('caps', 'drops')).toBeNull();
    expect(run.state.cares[0]).toMatchObject({ used: [{ lot: 'L-caps' }, { lot: 'L-drops', expires: '2027-01-31' }] });
  });
  it('something else was used: a note says what', () => {
    const run = open([]).do({ type: 'care', step: 'service', note: 'customer’s own membrane, lot 7' });
    expect(run.state.cares[0]).toMatchObject({ note: 'customer’s own membrane, lot 7' });
  });
  it('recalled or out of use is never taken, whatever its date', () => {
    const run = open([part('caps', 'membrane', { recalled: 'leaks' }), part('drops', 'electrolyte')]);
    expect(run.try({ type: 'care', step: 'service', materials: ['caps', 'drops'] })).toMatchObject({ code: 'careSpent' });
  });
  it('stands on the document with its lots', () => {
    const whole = wholeRun();
    whole.state.cares.push(open(shelf).do({ type: 'care', step: 'service', materials: ['caps', 'drops'] }).state.cares[0]!);
    expect(certificateContent(sourceOf(whole)).remarks.join()).toContain('Care: New membrane (caps, L-caps; drops, L-drops).');
  });
});
