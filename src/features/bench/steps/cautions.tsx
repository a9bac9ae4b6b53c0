'use client';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { useKept } from '@/ui/use-kept';

/** The procedure's cautions: in sight at the start, out of the way once read, one press away ever after. */
export function Cautions({ run, cautions }: { run: string; cautions: string[] }) {
  const [read, setRead] = useKept(`${run}/cautions`, false);
  if (cautions.length === 0) return null;
  if (read)
    return (
      <button type="button" className="btn btn-link btn-sm p-0 mb-2" onClick={() => setRead(false)}>
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
        <Button variant="plain" onClick={() => setRead(true)}>
          {say({ code: 'cautions.read' })}
        </Button>
        <span className="quiet small">{say({ code: 'cautions.defer' })}</span>
      </div>
    </section>
  );
}
