'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { CustomerPicker, type ChosenCustomer } from '@/features/counter';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { dayTime } from '@/ui/format';
import { endFeedAction, makeFeedAction } from './actions';
import '@/core/words/en/feeds';

const KINDS = ['workshop', 'technician', 'customer'] as const;
type Kind = (typeof KINDS)[number];
interface Feed {
  id: string;
  kind: Kind;
  name: string;
  madeAt: Date;
  madeBy: string;
  readAt: Date | null;
  endedAt: Date | null;
}

/** Addresses that were made, and a new one. */
export function FeedsView({
  feeds,
  people,
  zone,
  may,
}: {
  feeds: readonly Feed[];
  people: readonly { id: string; name: string }[];
  zone: string;
  may: boolean;
}) {
  const router = useRouter();
  const end = async (feedId: string) => {
    await attempt(() => endFeedAction({ feedId }));
    router.refresh();
  };
  return (
    <>
      {may && <MakeFeed people={people} />}
      <section className="sheet" data-testid="feeds">
        {feeds.length === 0 && <p className="quiet mb-0">{say({ code: 'feed.none' })}</p>}
        {feeds.map((feed) => (
          <div key={feed.id} className="d-flex flex-wrap gap-3 align-items-baseline py-2 border-top">
            <strong>{feed.name}</strong>
            <span>{say({ code: `feed.kind.${feed.kind}` })}</span>
            <span className="quiet small">
              {say({ code: 'feed.made', numbers: { at: dayTime(feed.madeAt, zone), by: feed.madeBy } })} ·{' '}
              {feed.readAt
                ? say({ code: 'feed.read', numbers: { at: dayTime(feed.readAt, zone) } })
                : say({ code: 'feed.never' })}
            </span>
            {feed.endedAt ? (
              <span className="quiet">{say({ code: 'feed.ended' })}</span>
            ) : (
              may && (
                <Button variant="plain" size="sm" onClick={() => end(feed.id)}>
                  {say({ code: 'feed.end' })}
                </Button>
              )
            )}
          </div>
        ))}
      </section>
    </>
  );
}

function MakeFeed({ people }: { people: readonly { id: string; name: string }[] }) {
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('workshop');
  const [person, setPerson] = useState(people[0]?.id ?? '');
  const [customer, setCustomer] = useState<ChosenCustomer | null>(null);
  const [address, setAddress] = useState('');
  const [problem, setProblem] = useState('');
  const make = async () => {
    const who = kind === 'technician' ? person : kind === 'customer' ? (customer?.id ?? '') : '';
    const result = await attempt(() => makeFeedAction({ kind, who }));
    setAddress(result.ok ? result.value.address : '');
    setProblem(result.ok ? '' : (result.fields.who ?? messageBeside(result)));
    router.refresh();
  };
  return (
    <section className="sheet mb-3" data-testid="make-feed">
      <Field label={say({ code: 'feed.whose' })}>
        <Form.Select
          style={{ maxWidth: '20rem' }}
          value={kind}
          onChange={(event) => setKind(KINDS.find((one) => one === event.target.value) ?? kind)}
        >
          {KINDS.map((one) => (
            <option key={one} value={one}>
              {say({ code: `feed.kind.${one}` })}
            </option>
          ))}
        </Form.Select>
      </Field>
      {kind === 'technician' && (
        <Field label={say({ code: 'feed.who' })}>
          <Form.Select style={{ maxWidth: '20rem' }} value={person} onChange={(event) => setPerson(event.target.value)}>
            {people.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </Form.Select>
        </Field>
      )}
      {kind === 'customer' && <CustomerPicker chosen={customer} onChoose={setCustomer} />}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      <Button onClick={make}>{say({ code: 'feed.make' })}</Button>
      {address && (
        <p className="notice mt-2 mb-0" role="status">
          {say({ code: 'feed.once' })} <span className="mono text-break">{address}</span>
        </p>
      )}
    </section>
  );
}
