'use client';
import Button from 'react-bootstrap/Button';
import { FOLLOWS, type BadAnswer, type Follow } from '@/core/procedure/follow';
import type { CheckItem } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, TextIn } from './inputs';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

const ANSWERS = ['passFault', 'yesNo', 'number', 'text', 'sensorSerial'] as const;
const WHENS = ['none', 'negative', 'positive', 'beyond'] as const;
type When = (typeof WHENS)[number] | 'other';

const whenOf = ({ bad }: CheckItem): When => {
  if (bad === undefined || bad === 'none') return 'none';
  if (bad.when === 'negative' || bad.when === 'positive') return bad.when;
  return 'beyond' in bad.when ? 'beyond' : 'other';
};
const followsOf = ({ bad }: CheckItem): Follow[] => (typeof bad === 'object' ? bad.follows : ['mend', 'service']);

/** The questions of a step, each with which answer is bad and what may follow it. */
export function ItemRows({ items, change }: { items: readonly CheckItem[]; change: (items: CheckItem[]) => void }) {
  const put = (index: number, item: CheckItem) => change(items.map((one, at) => (at === index ? item : one)));
  return (
    <>
      {items.map((item, index) => (
        <fieldset key={item.id} className="edit-item">
          <TextIn
            label={say({ code: 'edit.question' })}
            value={item.label}
            change={(label) => put(index, { ...item, label: label ?? '' })}
          />
          <div className="d-flex flex-wrap gap-3">
            <ChoiceIn
              label={say({ code: 'edit.answer' })}
              value={item.answer}
              choices={ANSWERS.map((one) => [one, say({ code: `answerWord.${one}` })])}
              change={(answer) => put(index, { ...item, answer })}
            />
            {item.answer === 'number' && (
              <TextIn
                label={say({ code: 'edit.unit' })}
                value={item.unit}
                change={(unit) => put(index, changed(item, { unit }))}
              />
            )}
            <ChoiceIn
              label={say({ code: 'edit.bad' })}
              value={whenOf(item)}
              choices={[...WHENS, ...(whenOf(item) === 'other' ? (['other'] as const) : [])].map((one) => [
                one,
                say({ code: `badWhen.${one}` }),
              ])}
              change={(when) => put(index, { ...item, bad: badFor(when, item) })}
            />
            {typeof item.bad === 'object' && typeof item.bad.when === 'object' && 'beyond' in item.bad.when && (
              <TextIn
                label={say({ code: 'edit.limit' })}
                value={item.bad.when.beyond}
                change={(beyond) => put(index, { ...item, bad: { ...(item.bad as BadAnswer), when: { beyond: beyond ?? '0' } } })}
              />
            )}
          </div>
          {typeof item.bad === 'object' && (
            <ManyIn
              label={say({ code: 'edit.follows' })}
              values={item.bad.follows}
              choices={FOLLOWS.map((one) => [one, say({ code: `follow.${one}` })])}
              change={(follows) => put(index, { ...item, bad: { ...(item.bad as BadAnswer), follows } })}
            />
          )}
          <Button variant="plain" size="sm" onClick={() => change(items.filter((_one, at) => at !== index))}>
            {say({ code: 'edit.leaveOut' })}
          </Button>
        </fieldset>
      ))}
      <Button
        variant="plain"
        className="mb-2"
        onClick={() =>
          change([
            ...items,
            { id: freeId(items), label: '', answer: 'passFault', bad: { when: 'negative', follows: ['mend', 'service'] } },
          ])
        }
      >
        {say({ code: 'edit.addQuestion' })}
      </Button>
    </>
  );
}

function badFor(when: When, item: CheckItem): BadAnswer | 'none' {
  if (when === 'none' || when === 'other') return 'none';
  return { when: when === 'beyond' ? { beyond: '0' } : when, follows: followsOf(item) };
}

function freeId(items: readonly CheckItem[]): string {
  let n = items.length + 1;
  while (items.some((one) => one.id === `item-${n}`)) n += 1;
  return `item-${n}`;
}
