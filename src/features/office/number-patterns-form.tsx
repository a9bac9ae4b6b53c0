'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { NUMBER_SERIES, numberBy, patternProblem, USUAL_PATTERNS, type NumberPatterns } from '@/core/paper/number-pattern';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { keepNumbersAction } from './actions';
import { saidOfPattern } from './said-of-pattern';
import '@/core/words/en/office-papers';

/** How each series is numbered: what is wrong, and how its 62nd will look, is said while it is typed. */
export function NumberPatternsForm({ numbers, year }: { numbers: NumberPatterns; year: number }) {
  const router = useRouter();
  const [given, setGiven] = useState(numbers);
  const [message, setMessage] = useState('');
  const problems = NUMBER_SERIES.map((series) => patternProblem(series, given));
  const change = (next: NumberPatterns) => {
    setGiven(next);
    setMessage('');
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => keepNumbersAction(given));
    setMessage(result.ok ? say({ code: 'numbers.saved' }) : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <form className="sheet" onSubmit={send} noValidate data-testid="numbers">
      <h2>{say({ code: 'numbers.title' })}</h2>
      <p className="quiet small">{say({ code: 'numbers.how', numbers: { year: '{year}', yy: '{yy}', n: '{n:4}' } })}</p>
      <div className="row">
        {NUMBER_SERIES.map((series, at) => {
          const problem = problems[at];
          return (
            <div key={series} className="col-md-6">
              <Field
                label={say({ code: `numbers.series.${series}` })}
                problem={problem ? saidOfPattern(problem) : undefined}
                help={
                  problem
                    ? undefined
                    : say({ code: 'numbers.next', numbers: { number: numberBy(given[series], { year, n: 62 }) } })
                }
              >
                <Form.Control
                  className="mono"
                  autoComplete="off"
                  value={given[series]}
                  onChange={(event) => change({ ...given, [series]: event.target.value })}
                />
              </Field>
            </div>
          );
        })}
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center mt-2">
        <Button type="submit">{say({ code: 'numbers.save' })}</Button>
        <Button variant="plain" onClick={() => change(USUAL_PATTERNS)}>
          {say({ code: 'numbers.usual' })}
        </Button>
        <span role="status">{message}</span>
      </div>
    </form>
  );
}
