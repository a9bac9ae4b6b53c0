'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { WhyForm } from '@/ui/why-form';
import { noteInstallationAction, withdrawInstallationAction } from './actions';
import type { installationChecks } from './server/installation';
import '@/core/words/en/installation';

const FIELDS = ['tried', 'result', 'checkedBy', 'checkedOn'] as const;
type Name = (typeof FIELDS)[number];

/** Whether the version that runs was tried here, the records of all versions, and a new one. */
export function InstallationPanel({
  found: { now, tried, checks },
  me,
  today,
}: {
  found: Awaited<ReturnType<typeof installationChecks>>;
  me: string;
  today: string;
}) {
  const router = useRouter();
  const empty: Record<Name, string> = { tried: '', result: '', checkedBy: me, checkedOn: today };
  const [given, setGiven] = useState(empty);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => noteInstallationAction(given));
    setProblems(result.ok ? {} : { tried: result.message, ...result.fields });
    if (!result.ok) return;
    setGiven(empty);
    router.refresh();
  };
  return (
    <section className="sheet mt-3" data-testid="installation">
      <h2>{say({ code: 'installation.title' })}</h2>
      <p className="quiet">{say({ code: 'installation.what' })}</p>
      <p>
        <VerdictMark
          state={tried ? 'within' : 'cannotTell'}
          word={say({ code: tried ? 'installation.has' : 'installation.none', numbers: { now } })}
        />
      </p>
      {checks.map((one) => (
        <div key={one.id} className="mb-2">
          <span className={one.withdrawnAt ? 'struck' : ''}>
            {say({
              code: 'installation.line',
              numbers: {
                software: one.software,
                on: day(one.checkedOn),
                by: one.checkedBy,
                tried: one.tried,
                result: one.result,
              },
            })}
          </span>
          {one.withdrawnAt ? (
            <span className="d-block quiet small">
              {say({ code: 'installation.withdrawn', numbers: { by: one.withdrawnBy ?? '', why: one.withdrawnWhy ?? '' } })}
            </span>
          ) : (
            <WhyForm
              testId="withdraw-installation"
              title={say({ code: 'installation.withdraw' })}
              label={say({ code: 'installation.why' })}
              act={async (why) => saidOfWhy(await attempt(() => withdrawInstallationAction({ checkId: one.id, why })))}
            />
          )}
        </div>
      ))}
      <form onSubmit={send} noValidate>
        {FIELDS.map((name) => (
          <Field key={name} label={say({ code: `installation.${name}` })} problem={problems[name]}>
            {name === 'checkedOn' ? (
              <DayInput value={given.checkedOn} onChange={(value) => setGiven({ ...given, checkedOn: value })} />
            ) : (
              <FormControl
                {...(name === 'tried' || name === 'result' ? { as: 'textarea' as const, rows: 2 } : {})}
                value={given[name]}
                onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
              />
            )}
          </Field>
        ))}
        <Button type="submit">{say({ code: 'installation.note' })}</Button>
      </form>
    </section>
  );
}
