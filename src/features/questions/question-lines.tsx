'use client';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { dayIn, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { withdrawQuestionAction } from './actions';
import type { QuestionLine } from './server/list-questions';
import '@/core/words/en/answer-page';
import '@/core/words/en/questions';

interface Props {
  lines: readonly QuestionLine[];
  zone: string;
  mayKeep: boolean;
  /** With whose question it is. */
  named?: boolean;
}

/** What was asked, where it stands, and what came of it. */
export function QuestionLines({ lines, zone, mayKeep, named = false }: Props) {
  const { send, message } = useSent();
  return (
    <>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      {lines.map((line) => (
        <div key={line.id} className="mb-3" data-testid="question">
          <div className="d-flex flex-wrap gap-3 align-items-baseline">
            {named && <Link href={`/customers/${line.customerId}`}>{line.customer}</Link>}
            <strong>{say({ code: `question.about.${line.about}` })}</strong>
            <span className={line.state === 'late' || line.answer === 'no' ? 'verdict-warn' : ''}>{standing(line, zone)}</span>
            {mayKeep && (line.state === 'open' || line.state === 'late') && (
              <Button size="sm" variant="plain" onClick={() => send(() => withdrawQuestionAction({ questionId: line.id }))}>
                {say({ code: 'question.withdraw' })}
              </Button>
            )}
          </div>
          <div style={{ whiteSpace: 'pre-line' }} lang={line.language}>
            {line.asked}
          </div>
          {line.remark && <blockquote className="mb-1 mt-1 ps-2 border-start">{line.remark}</blockquote>}
          {line.problem && (
            <div className="field-problem">{say({ code: 'question.problem', numbers: { problem: line.problem } })}</div>
          )}
          <div className="quiet small">
            {say({ code: 'question.askedBy', numbers: { on: dayTime(line.askedAt, zone), by: line.askedBy } })}
            {line.recipient && ` · ${line.recipient}`}
            {line.answer && !line.doneAt && ` · ${say({ code: 'question.waits' })}`}
          </div>
        </div>
      ))}
    </>
  );
}

function standing(
  { state, about, answer, answeredBy, answeredAt, withdrawnAt, withdrawnBy, until }: QuestionLine,
  zone: string,
): string {
  if (state === 'answered')
    return say({
      code: 'question.state.answered',
      numbers: { answer: say({ code: `answerPage.${answer!}.${about}` }), by: answeredBy!, on: dayTime(answeredAt!, zone) },
    });
  if (state === 'withdrawn')
    return say({ code: 'question.state.withdrawn', numbers: { on: dayTime(withdrawnAt!, zone), by: withdrawnBy! } });
  return say({ code: `question.state.${state}`, numbers: { until: dayIn(until, zone) } });
}
