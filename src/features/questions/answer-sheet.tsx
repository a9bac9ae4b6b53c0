import { dayInLanguage } from '@/core/words/day-in-language';
import { say, type Numbers, type WordCode } from '@/core/words/say';
import type { PublicQuestion } from './server/public-question';
import '@/core/words/en/answer-page';
import '@/core/words/de/answer-page';

/** Where a customer answers, by the link of a mail: without a program of ours, on whatever they have. Looking answers nothing. */
export function AnswerSheet({
  question,
  secret,
  problem,
}: {
  question: PublicQuestion | null;
  secret: string;
  problem: boolean;
}) {
  const language = question?.language ?? 'en';
  const w = (code: Extract<WordCode, `answerPage.${string}`>, numbers: Numbers = {}) => say({ code, numbers }, language);
  if (!question) return <p className="mb-0">{w('answerPage.unknown')}</p>;
  const { workshop, customer, about, asked, state, zone, until, answer } = question;
  // The day where the workshop is, as the customer's language writes it.
  const on = (at: Date) => dayInLanguage(new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at), language);
  return (
    <div lang={language}>
      <h1>{w('answerPage.title')}</h1>
      <p className="quiet">{w('answerPage.from', { workshop, customer })}</p>
      <p className="lead" style={{ whiteSpace: 'pre-line' }}>
        {asked}
      </p>
      {state === 'answered' && (
        <p className="notice mb-0" role="status">
          {w('answerPage.given', {
            name: question.answered_by ?? '',
            on: on(question.answered_at ?? until),
            answer: w(`answerPage.${answer ?? 'yes'}.${about}`),
          })}
        </p>
      )}
      {(state === 'late' || state === 'withdrawn') && <p className="notice mb-0">{w(`answerPage.${state}`, { workshop })}</p>}
      {state === 'open' && (
        <form method="post" action={`/api/answer/${secret}`}>
          <label className="form-label" htmlFor="answer-name">
            {w('answerPage.name')}
          </label>
          <input
            id="answer-name"
            name="name"
            className="form-control"
            required
            minLength={2}
            maxLength={120}
            autoComplete="name"
          />
          {problem && (
            <div className="field-problem" role="alert">
              {w('answerPage.nameNeeded')}
            </div>
          )}
          <label className="form-label mt-3" htmlFor="answer-remark">
            {w(about === 'notice' ? 'answerPage.remarkNotice' : 'answerPage.remark')}
          </label>
          <textarea id="answer-remark" name="remark" className="form-control" rows={3} maxLength={2000} />
          <div className="d-flex flex-wrap gap-2 mt-3">
            <button type="submit" name="answer" value="yes" className="btn btn-primary">
              {w(`answerPage.yes.${about}`)}
            </button>
            <button type="submit" name="answer" value="no" className="btn btn-plain">
              {w(`answerPage.no.${about}`)}
            </button>
          </div>
          <p className="quiet small mt-3 mb-0">{w('answerPage.until', { until: on(until) })}</p>
        </form>
      )}
    </div>
  );
}
