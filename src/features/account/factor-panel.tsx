'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, type ClientResult } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { beginSecondFactorAction, confirmSecondFactorAction, endSecondFactorAction, renewRecoveryCodesAction } from './actions';
import { picture } from './picture';
import '@/core/words/en/account';

interface Begun {
  key: string;
  picture: string;
  codes: string[];
}

/** One-time codes: set up with a picture and a first code, ended, recovery codes anew. Each asks for the password. */
export function FactorPanel({ on }: { on: boolean }) {
  const router = useRouter();
  const [begun, setBegun] = useState<Begun | null>(null);
  const [codes, setCodes] = useState<string[]>([]);
  return (
    <section className="sheet mt-3" aria-label={say({ code: 'factor.title' })}>
      <h2>{say({ code: 'factor.title' })}</h2>
      <p className="quiet small">{say({ code: 'factor.why' })}</p>
      <p className="fw-semibold">{say({ code: on ? 'factor.on' : 'factor.off' })}</p>
      {!on && !begun && (
        <Asked
          label="factor.password"
          secret
          acts={[
            ['factor.begin', async (password) => keepTo(await attempt(() => beginSecondFactorAction({ password })), setBegun)],
          ]}
        />
      )}
      {!on && begun && (
        <div className="d-flex flex-wrap gap-4">
          {/* eslint-disable-next-line @next/next/no-img-element -- drawn this once, never a file */}
          <img alt="" src={picture(begun.picture)} width={190} height={190} className="bg-white" />
          <div className="flex-grow-1" style={{ maxWidth: '34rem' }}>
            <p className="text-break">{say({ code: 'factor.scan', numbers: { key: begun.key } })}</p>
            <Recovery codes={begun.codes} />
            <Asked
              label="factor.first"
              field="code"
              acts={[
                [
                  'factor.confirm',
                  async (code) => {
                    const result = await attempt(() => confirmSecondFactorAction({ code }));
                    if (result.ok) router.refresh();
                    return result;
                  },
                ],
              ]}
            />
          </div>
        </div>
      )}
      {on && (
        <>
          <Asked
            label="factor.password"
            secret
            acts={[
              ['factor.renew', async (password) => keepTo(await attempt(() => renewRecoveryCodesAction({ password })), setCodes)],
              [
                'factor.end',
                async (password) => {
                  const result = await attempt(() => endSecondFactorAction({ password }));
                  if (result.ok) router.refresh();
                  return result;
                },
              ],
            ]}
          />
          {codes.length > 0 && <Recovery codes={codes} />}
        </>
      )}
    </section>
  );
}

function keepTo<T>(result: ClientResult<T>, keep: (value: T) => void): ClientResult<T> {
  if (result.ok) keep(result.value);
  return result;
}

function Recovery({ codes }: { codes: string[] }) {
  return (
    <>
      <p className="mb-1">{say({ code: 'factor.recovery' })}</p>
      <ul className="list-unstyled mono recovery-codes" data-testid="recovery-codes">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <Button variant="plain" size="sm" className="mb-3" onClick={() => window.print()}>
        {say({ code: 'factor.print' })}
      </Button>
    </>
  );
}

type AskedWord =
  'factor.password' | 'factor.first' | 'factor.begin' | 'factor.confirm' | 'factor.renew' | 'factor.end' | 'pin.pin' | 'pin.set';

/** One field and what can be done with it; what is refused stands beside it. */
export function Asked({
  label,
  field = 'password',
  secret = false,
  acts,
}: {
  label: AskedWord;
  field?: string;
  secret?: boolean;
  acts: [AskedWord, (typed: string) => Promise<ClientResult<unknown>>][];
}) {
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState('');
  const act = async (work: (typed: string) => Promise<ClientResult<unknown>>) => {
    const result = await work(typed);
    setProblem(result.ok ? '' : (result.fields[field] ?? result.message));
    if (result.ok) setTyped('');
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void act(acts[0]![1]);
      }}
    >
      <Field label={say({ code: label })} problem={problem || undefined}>
        <Form.Control
          type={secret ? 'password' : 'text'}
          autoComplete={secret ? 'current-password' : 'one-time-code'}
          style={{ maxWidth: '20rem' }}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </Field>
      <div className="d-flex flex-wrap gap-2">
        {acts.map(([name, work], index) => (
          <Button
            key={name}
            type={index === 0 ? 'submit' : 'button'}
            variant={index === 0 ? 'primary' : 'plain'}
            onClick={index === 0 ? undefined : () => void act(work)}
          >
            {say({ code: name })}
          </Button>
        ))}
      </div>
    </form>
  );
}
