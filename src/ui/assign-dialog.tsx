'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { say } from '@/core/words/say';
import { ASSIGNABLE, assign, mayBeAssigned, readAssigned, type AssignableKey } from './assigned-keys';
import '@/core/words/en/assign';

/** A foot switch or the number pad types keys: which of them stands for what is chosen by pressing it. Kept on this computer. */
export function AssignDialog({ close }: { close: () => void }) {
  const [waiting, setWaiting] = useState<AssignableKey | null>(null);
  const [assigned, setAssigned] = useState<Record<string, AssignableKey>>(readAssigned);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    if (!waiting) return;
    const pressed = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      if (event.key === 'Escape') return setWaiting(null);
      if (!mayBeAssigned(event.code)) return setProblem(say({ code: 'assign.refused', numbers: { key: event.key } }));
      assign(waiting, event.code);
      setAssigned(readAssigned());
      setProblem('');
      setWaiting(null);
    };
    window.addEventListener('keydown', pressed, true);
    return () => window.removeEventListener('keydown', pressed, true);
  }, [waiting]);
  const codeOf = (act: AssignableKey) => Object.entries(assigned).find(([, key]) => key === act)?.[0];
  return (
    <Modal show onHide={close} keyboard={!waiting}>
      <Modal.Header closeButton>
        <Modal.Title>{say({ code: 'assign.title' })}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="quiet">{say({ code: 'assign.why' })}</p>
        <table className="table mb-0">
          <tbody>
            {ASSIGNABLE.map((act) => (
              <tr key={act}>
                <td>
                  <kbd>{act.toUpperCase()}</kbd> {say({ code: `assign.${act}` })}
                </td>
                <td className="mono">{waiting === act ? say({ code: 'assign.press' }) : (codeOf(act) ?? '—')}</td>
                <td className="text-end">
                  <Button variant="plain" size="sm" onClick={() => setWaiting(act)}>
                    {say({ code: 'assign.choose' })}
                  </Button>
                  {codeOf(act) && (
                    <Button
                      variant="plain"
                      size="sm"
                      className="ms-1"
                      onClick={() => {
                        assign(act, null);
                        setAssigned(readAssigned());
                      }}
                    >
                      {say({ code: 'assign.none' })}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {problem && (
          <div className="field-problem" role="alert">
            {problem}
          </div>
        )}
      </Modal.Body>
    </Modal>
  );
}
