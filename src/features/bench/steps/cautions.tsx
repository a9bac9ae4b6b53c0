'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { useKept } from '@/ui/use-kept';

/** The procedure's cautions: in sight until the first reading, out of the way once read or once a display is read, one press away ever after. */
export function Cautions({ run, cautions, begun }: { run: string; cautions: string[]; begun: boolean }) {
  const [read, setRead] = useKept(`${run}/cautions`, false);
  const [asked, setAsked] = useState(false);
  if (cautions.length === 0) return null;
  // Nothing stands between a hand and the reading once gas is open: each step says its own caution.
  if ((read || begun) && !asked)
    return (
      <button type="button" className="btn btn-link btn-sm p-0 mb-2" onClick={() => setAsked(true)}>
        {say({ code: 'cautions.again', numbers: { count: cautions.length } })}
      </button>
    );
  return (
    <section className="cautions sheet mb-3" aria-label={say({ code: 'cautions.title' })}>
      <h2>{say({ code: 'cautions.title' })}</h2>
      <ul className="mb-2">
        {cautions.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <Button
          variant="plain"
          onClick={() => {
            setRead(true);
            setAsked(false);
          }}
        >
          {say({ code: 'cautions.read' })}
        </Button>
        <span className="quiet small">{say({ code: 'cautions.defer' })}</span>
      </div>
    </section>
  );
}
