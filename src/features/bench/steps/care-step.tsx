'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CareMaterial } from '@/core/procedure/procedure';
import { careMaterialSpent } from '@/core/run/handle-care';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import type { RunView } from '../server/run-view';
import type { LiveRun } from '../use-run';
import '@/core/words/en/care';

/** A care action: what of the shelf it takes is chosen already where something stands there; else what was used is said. */
export function CareStep({ run, view, step, uses }: { run: LiveRun; view: RunView; step: string; uses: CareMaterial[] }) {
  const on = (role: CareMaterial) => view.shelf.filter((one) => one.role === role);
  const [chosen, setChosen] = useState<Partial<Record<CareMaterial, string>>>(() =>
    Object.fromEntries(uses.map((role) => [role, on(role).find((one) => !careMaterialSpent(one, view.today))?.id ?? ''])),
  );
  const [note, setNote] = useState('');
  const materials = uses.flatMap((role) => chosen[role] || []);
  const send = () => run.send({ type: 'care', step, materials, ...(note.trim() ? { note: note.trim() } : {}) });
  return (
    <div>
      {uses.length > 0 && (
        <div className="d-flex flex-wrap gap-3 mb-2" data-testid="care-materials">
          {uses.map((role) => (
            <Field key={role} label={say({ code: `care.${role}` })}>
              <Form.Select
                value={chosen[role] ?? ''}
                onChange={(event) => setChosen({ ...chosen, [role]: event.target.value })}
                aria-label={say({ code: `care.${role}` })}
              >
                {on(role).map((one) => {
                  const spent = careMaterialSpent(one, view.today);
                  return (
                    <option key={one.id} value={one.id} disabled={spent !== null}>
                      {one.name}, {one.lot}
                      {spent ? ` (${spent})` : ''}
                    </option>
                  );
                })}
                <option value="">{say({ code: 'care.none' })}</option>
              </Form.Select>
            </Field>
          ))}
          {materials.length < uses.length && (
            <Field label={say({ code: 'care.instead' })}>
              <Form.Control value={note} onChange={(event) => setNote(event.target.value)} maxLength={500} />
            </Field>
          )}
        </div>
      )}
      <Button data-main-action disabled={run.busy} onClick={() => void send()}>
        {say({ code: 'care.done' })}
      </Button>
    </div>
  );
}
