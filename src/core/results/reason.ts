import type { Procedure } from '../procedure/procedure';
import { findings } from '../run/findings';
import type { RunState } from '../record/state';
import { say, type Language } from '../words/say';
import { summarise } from './summary';
import '@/core/words/en/certificate';
import '@/core/words/en/not-plain';

/** Why an instrument does not go out as it should, in a few words: what was bad, given up or outside. Empty where nothing was. */
export function reasonOf(procedure: Procedure, state: RunState, language: Language = 'en'): string {
  const label = (id: string) => state.channels.find((one) => one.id === id)?.label ?? id;
  const bad = findings(procedure, state)
    .filter((one) => one.followed?.follow !== 'mend' && one.followed?.follow !== 'remark')
    .map(({ what, answer, note }) =>
      say(
        { code: 'reason.bad', numbers: { what, answer: answerText(answer, language), note: note ? `, ${note}` : '' } },
        language,
      ),
    );
  const givenUp = Object.keys(state.retired).map((id) =>
    say({ code: 'reason.givenUp', numbers: { channel: label(id) } }, language),
  );
  const side = state.started?.service === 'asFoundOnly' ? 'found' : 'left';
  const outside = summarise(procedure, state)
    .lines.filter((line) => line[side]?.verdict === 'outside')
    .map((line) => say({ code: `reason.${side}`, numbers: { channel: line.label, point: line.pointLabel } }, language));
  const note = state.ending?.note ? [state.ending.note] : [];
  const question = state.decisions.findLast((one) => one.seq === state.ending?.seq)?.question;
  const asked =
    question && question !== 'follows'
      ? [say({ code: `reason.question.${question === 'notSaved' || question === 'blank' ? question : 'other'}` }, language)]
      : [];
  return [...new Set([...bad, ...givenUp, ...outside, ...(bad.length + givenUp.length ? [] : asked), ...note])].join('; ');
}

/** An answer as a word; a figure or a sentence stays what it is. */
export const answerText = (answer: string, language: Language = 'en'): string =>
  answer === 'pass' || answer === 'fault' || answer === 'yes' || answer === 'no' || answer === 'none'
    ? say({ code: `answer.${answer}` }, language)
    : answer;
