'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';

interface Props {
  testId: string;
  /** What it does: its fold and its button. */
  title: string;
  how?: string | undefined;
  label: string;
  example?: string;
  danger?: boolean;
  /** Does it; gives what is to be said beside the field, nothing where it was done. */
  act: (why: string) => Promise<string>;
}

/** Something that ends, or comes back, with a reason. Folded until somebody wants it. */
export function WhyForm({ testId, title, how, label, example = label, danger = false, act }: Props) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const said = await act(why);
    setProblem(said);
    if (said) return;
    setWhy('');
    router.refresh();
  };
  return (
    <details className="mt-3" data-testid={testId}>
      <summary>{title}</summary>
      {how && <p className="quiet small mb-1">{how}</p>}
      <form className="d-flex flex-wrap gap-2 align-items-start mt-2" onSubmit={send} noValidate>
        <Form.Control
          style={{ width: '26rem' }}
          aria-label={label}
          placeholder={example}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button type="submit" variant={danger ? 'outline-danger' : 'plain'}>
          {title}
        </Button>
        {problem && (
          <div className="field-problem w-100" role="alert">
            {problem}
          </div>
        )}
      </form>
    </details>
  );
}
