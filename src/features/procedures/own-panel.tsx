'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { Link } from '@/ui/link';
import { WhyForm } from '@/ui/why-form';
import { copyProcedureAction, endProcedureAction, recallProcedureAction, reviseProcedureAction } from './actions';
import type { OwnPage } from './server/own-page';
import '@/core/words/en/procedures';

interface Props {
  id: string;
  title: string;
  released: boolean;
  page: Pick<OwnPage, 'own' | 'recall'> & { drafted: boolean };
  mayWork: boolean;
  mayRelease: boolean;
}

/** What can be done with a procedure: copied, worked on, recalled, ended. */
export function OwnPanel({ id, title, released, page: { own, recall, drafted }, mayWork, mayRelease }: Props) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [said, setSaid] = useState('');
  const copy = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => copyProcedureAction({ procedureId: id, title: name }));
    if (result.ok) router.push(`/procedures/${result.value.id}/edit`);
    else setSaid(Object.values(result.fields)[0] ?? result.message);
  };
  const revise = async () => {
    const result = await attempt(() => reviseProcedureAction({ procedureId: id }));
    if (result.ok) router.push(`/procedures/${id}/edit`);
    else setSaid(result.message);
  };
  if (!mayWork) return null;
  return (
    <div className="sheet mb-3" data-testid="own-procedure">
      <div className="d-flex flex-wrap gap-2">
        {own && drafted && (
          <Link className="btn btn-primary" href={`/procedures/${id}/edit`}>
            {say({ code: 'procedures.edit' })}
          </Link>
        )}
        {own && !drafted && (
          <Button variant="primary" onClick={() => void revise()}>
            {say({ code: 'procedures.revise' })}
          </Button>
        )}
        {released && (
          <form className="d-flex gap-2" onSubmit={copy} noValidate>
            <FormControl
              style={{ width: '18rem' }}
              aria-label={say({ code: 'procedures.copyTitle' })}
              placeholder={`${title}, …`}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <Button type="submit" variant="plain" className="text-nowrap">
              {say({ code: 'procedures.copy' })}
            </Button>
          </form>
        )}
      </div>
      {said && (
        <p className="field-problem mb-0" role="alert">
          {said}
        </p>
      )}
      {mayRelease && released && (
        <WhyForm
          key={recall ? 'lift' : 'recall'}
          testId="recall-procedure"
          title={say({ code: recall ? 'procedures.lift' : 'procedures.recall' })}
          label={say({ code: 'procedures.why' })}
          danger={!recall}
          act={async (why) =>
            saidOfWhy(await attempt(() => recallProcedureAction({ procedureId: id, why, lift: recall !== null })))
          }
        />
      )}
      {own && (
        <WhyForm
          key={own.retiredWhy === null ? 'end' : 'back'}
          testId="end-procedure"
          title={say({ code: own.retiredWhy === null ? 'procedures.end' : 'procedures.back' })}
          label={say({ code: 'procedures.why' })}
          act={async (why) =>
            saidOfWhy(await attempt(() => endProcedureAction({ procedureId: id, why, back: own.retiredWhy !== null })))
          }
        />
      )}
    </div>
  );
}
