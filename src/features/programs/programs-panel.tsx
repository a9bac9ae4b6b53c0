'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { dayTime } from '@/ui/format';
import { changeTokenAction, endTokenAction, makeTokenAction } from './actions';
import type { TokenShown } from './server/tokens';
import '@/core/words/en/programs';

const SCOPES = ['instruments', 'due', 'documents'] as const;
type Scope = (typeof SCOPES)[number];

/** Programs that read: a token is made, shown once, and ended. */
export function ProgramsPanel({
  tokens,
  today,
  until,
  zone,
}: {
  tokens: readonly TokenShown[];
  today: string;
  until: string;
  zone: string;
}) {
  const router = useRouter();
  const [given, setGiven] = useState<{ name: string; scopes: Scope[]; goodUntil: string }>({
    name: '',
    scopes: [],
    goodUntil: until,
  });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [token, setToken] = useState('');
  const make = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => makeTokenAction(given));
    setProblems(result.ok ? {} : { ...result.fields, ...(Object.keys(result.fields).length ? {} : { name: result.message }) });
    if (!result.ok) return;
    setToken(result.value.token);
    setGiven({ name: '', scopes: [], goodUntil: until });
    router.refresh();
  };
  const stateOf = ({ endedAt, endedBy, goodUntil, lastUsedAt }: TokenShown): string => {
    if (endedAt) return say({ code: 'programs.ended', numbers: { by: endedBy ?? '' } });
    if (goodUntil < today) return say({ code: 'programs.past' });
    return lastUsedAt
      ? say({ code: 'programs.used', numbers: { on: dayTime(lastUsedAt, zone) } })
      : say({ code: 'programs.unused' });
  };
  return (
    <>
      <div className="sheet mb-3" data-testid="programs">
        {tokens.length === 0 && <p className="quiet mb-0">{say({ code: 'programs.none' })}</p>}
        {tokens.map((one) => (
          <TokenLine
            key={`${one.id}-${one.name}-${one.goodUntil}`}
            token={one}
            state={stateOf(one)}
            stands={!one.endedAt && one.goodUntil >= today}
          />
        ))}
      </div>
      <form className="sheet" onSubmit={make} noValidate data-testid="new-program">
        <Field label={say({ code: 'programs.name' })} problem={problems.name}>
          <FormControl
            autoComplete="off"
            value={given.name}
            onChange={(event) => setGiven({ ...given, name: event.target.value })}
          />
        </Field>
        <fieldset className="mb-2">
          <legend className="form-label fs-6 mb-1">{say({ code: 'programs.scopes' })}</legend>
          <div className="d-flex flex-wrap gap-3">
            {SCOPES.map((scope) => (
              <FormCheck
                key={scope}
                id={`scope-${scope}`}
                label={say({ code: `programs.scope.${scope}` })}
                checked={given.scopes.includes(scope)}
                onChange={(event) =>
                  setGiven({
                    ...given,
                    scopes: SCOPES.filter((one) => (one === scope ? event.target.checked : given.scopes.includes(one))),
                  })
                }
              />
            ))}
          </div>
          {problems.scopes && (
            <div className="field-problem" role="alert">
              {problems.scopes}
            </div>
          )}
        </fieldset>
        <Field label={say({ code: 'programs.until' })} problem={problems.goodUntil}>
          <DayInput value={given.goodUntil} onChange={(value) => setGiven({ ...given, goodUntil: value })} />
        </Field>
        <Button type="submit">{say({ code: 'programs.make' })}</Button>
        {token && (
          <p className="notice mt-3 mb-0" role="status" style={{ overflowWrap: 'anywhere' }}>
            {say({ code: 'programs.shown', numbers: { token } })}
          </p>
        )}
      </form>
    </>
  );
}

function TokenLine({ token, state, stands }: { token: TokenShown; state: string; stands: boolean }) {
  const router = useRouter();
  const [name, setName] = useState(token.name);
  const [goodUntil, setGoodUntil] = useState(token.goodUntil);
  const [said, setSaid] = useState('');
  const act = async (work: () => ReturnType<typeof endTokenAction>) => {
    const result = await attempt(work);
    setSaid(result.ok ? '' : (Object.values(result.fields)[0] ?? result.message));
    router.refresh();
  };
  const scopes = token.scopes.map((scope) => say({ code: `programs.scope.${scope}` })).join(', ');
  if (token.endedAt)
    return (
      <p className="quiet mb-1">
        {token.name}: {scopes}, {state}
      </p>
    );
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mb-2" data-testid="program">
      <FormControl
        style={{ width: '14rem' }}
        aria-label={say({ code: 'programs.nameOf', numbers: { name: token.name } })}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <DayInput
        aria-label={say({ code: 'programs.untilOf', numbers: { name: token.name } })}
        value={goodUntil}
        onChange={(value) => setGoodUntil(value)}
      />
      <Button
        variant="plain"
        disabled={name === token.name && goodUntil === token.goodUntil}
        onClick={() => void act(() => changeTokenAction({ tokenId: token.id, name, goodUntil }))}
      >
        {say({ code: 'programs.keep' })}
      </Button>
      <span className="quiet">
        {scopes}, {state}
      </span>
      {stands && (
        <Button
          variant="outline-danger"
          className="ms-auto"
          onClick={() => void act(() => endTokenAction({ tokenId: token.id }))}
        >
          {say({ code: 'programs.end' })}
        </Button>
      )}
      {said && (
        <p className="field-problem w-100 mb-0" role="alert">
          {said}
        </p>
      )}
    </div>
  );
}
