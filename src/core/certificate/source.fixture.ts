import { signatory } from '../run/four-gas.fixture';
import type { ScriptedRun } from '../run/scripted';
import type { CertificateSource } from './content';

/** What a document needs besides its run. */
export const sourceOf = (run: ScriptedRun): CertificateSource => ({
  procedure: run.procedure,
  state: run.state,
  number: 'C-2026-00001',
  previous: null,
  software: { name: 'Werkbank', version: '0.1.0', commit: 'abc' },
  laboratory: { name: 'Lab', address: 'Street 1', contact: 'lab@test.example' },
  place: 'Bench',
  customer: { name: 'Yard', address: 'Dock', contact: 'R.' },
  item: { maker: 'M', model: 'LM-4', serial: 'S-1', tag: 'T', condition: ['no fault'] },
  received: '2026-11-23',
  issued: '2026-11-24',
  calibrated: { from: '2026-11-24', to: '2026-11-24' },
  due: null,
  suppliedByCustomer: [],
  authorisedBy: signatory,
  authorisedAt: '2026-11-24T12:00:00.000Z',
  lastHash: 'ff',
  annexes: { budgets: false, traces: false },
});
