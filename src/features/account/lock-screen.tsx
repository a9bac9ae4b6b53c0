'use client';
import { useEffect, useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { post } from '@/platform/client/post';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { askPasskeyAction, signOutAction } from './actions';
import { onLockAsked } from '@/platform/client/lock-asked';
import { useLock } from './use-lock';
import '@/core/words/en/lock';

interface Props {
  me: { id: string; name: string };
  afterMinutes: number;
  locked: boolean;
  people: { id: string; name: string }[];
  passkeys: boolean;
  children: ReactNode;
}
/** A full load: everything that was drawn for somebody is gone. */
const toDoor = () => window.location.replace(new URL('/sign-in', window.location.href));
type Went = { name: string; other: boolean };

/** The lock of a shared bench computer: covers what was open, leaves clocks and gas in sight, and asks who goes on. */
export function LockScreen({ me, afterMinutes, locked: byHouse, people, passkeys, children }: Props) {
  const { locked, lock, cover, told } = useLock(me.id, afterMinutes, byHouse);
  const [went, setWent] = useState('');
  useEffect(() => onLockAsked(lock), [lock]);
  useEffect(() => {
    const kept = sessionStorage.getItem('werkbank.went');
    sessionStorage.removeItem('werkbank.went');
    if (!kept) return;
    const timer = setTimeout(() => setWent(kept), 0);
    return () => clearTimeout(timer);
  }, []);
  const opened = ({ name, other }: Went, id: string) => {
    const sentence = say({ code: 'lock.wentOn', numbers: { name } });
    cover(false, id);
    // Somebody else's pages are not theirs, and what the house drew while it was locked is empty.
    if (other || byHouse) {
      sessionStorage.setItem('werkbank.went', sentence);
      window.location.reload();
    } else setWent(sentence);
  };
  return (
    <>
      {went && !locked && (
        <p className="went-on" role="status" onAnimationEnd={() => setWent('')}>
          {went}
        </p>
      )}
      {locked && (
        <div className="lock-screen" role="dialog" aria-modal="true" aria-label={say({ code: 'lock.title' })}>
          <div className="lock-room">
            <Unlock me={me} people={people} passkeys={passkeys} opened={opened} told={told} />
            {children}
          </div>
        </div>
      )}
    </>
  );
}

function Unlock({
  me,
  people,
  passkeys,
  opened,
  told,
}: Pick<Props, 'me' | 'people' | 'passkeys'> & {
  opened: (went: Went, id: string) => void;
  told: { current: Promise<unknown> };
}) {
  const [person, setPerson] = useState(me.id);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState('');
  const send = async (body: object, id: string) => {
    await told.current;
    const result = await post<Went>('/api/unlock', body);
    if (result.ok) return opened(result.value, id);
    setTyped('');
    if (result.status === 401) toDoor();
    else setProblem(result.message);
  };
  const submit = (event: React.FormEvent) => {
    event.preventDefault();
    const badge = /^wb-/i.test(typed.trim());
    const pin = /^\d{6,12}$/.test(typed.trim());
    if (badge) void send({ badge: typed.trim().toUpperCase() }, '');
    else void send({ person, ...(pin ? { pin: typed.trim() } : { password: typed }) }, person);
  };
  const byKey = async () => {
    const asked = await attempt(() => askPasskeyAction({}));
    if (!asked.ok) return setProblem(asked.message);
    const answer = await (
      await import('@simplewebauthn/browser')
    )
      .startAuthentication({ optionsJSON: asked.value })
      .catch(() => null);
    if (answer) await send({ passkey: answer }, '');
  };
  return (
    <form onSubmit={submit} noValidate className="lock-form">
      <h1>{say({ code: 'lock.title' })}</h1>
      <p className="quiet">{say({ code: 'lock.hint' })}</p>
      <fieldset>
        <legend className="fs-6">{say({ code: 'lock.who' })}</legend>
        <div className="d-flex flex-wrap gap-2 mb-2">
          {people.map((one) => (
            <button
              key={one.id}
              type="button"
              className={`btn ${person === one.id ? 'btn-primary' : 'btn-plain'}`}
              aria-pressed={person === one.id}
              onClick={() => setPerson(one.id)}
            >
              {one.name}
            </button>
          ))}
        </div>
      </fieldset>
      <Field label={`${say({ code: 'lock.pin' })}, ${say({ code: 'lock.badge' })}`} problem={problem || undefined}>
        <FormControl
          type="password"
          autoComplete="off"
          autoFocus
          size="lg"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </Field>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <Button type="submit">{say({ code: 'lock.open' })}</Button>
        {passkeys && (
          <Button variant="plain" onClick={() => void byKey()}>
            {say({ code: 'lock.passkey' })}
          </Button>
        )}
        <Button
          variant="link"
          onClick={async () => {
            await signOutAction({});
            toDoor();
          }}
        >
          {say({ code: 'lock.door' })}
        </Button>
      </div>
    </form>
  );
}
