'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Image from 'next/image';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { FileButton } from '@/ui/file-button';
import { dropLogoAction } from './actions';
import '@/core/words/en/office-papers';

async function send(file: File): Promise<string> {
  try {
    const headers = { 'content-type': 'application/octet-stream' };
    const response = await fetch('/api/logo', { method: 'POST', headers, body: file });
    const answer = (await response.json()) as { ok: boolean; message?: string };
    return answer.ok ? '' : (answer.message ?? say({ code: 'logo.notSent' }));
  } catch {
    return say({ code: 'logo.notSent' });
  }
}

/** The workshop's sign: shown as it is on papers, chosen, taken off. */
export function LogoPanel({ hash, most }: { hash: string | null; most: number }) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const done = (said: string) => {
    setProblem(said);
    if (!said) router.refresh();
  };
  return (
    <section className="sheet mb-3" data-testid="logo">
      <h2>{say({ code: 'logo.title' })}</h2>
      <p className="quiet small">{say({ code: 'logo.how', numbers: { most } })}</p>
      {hash && (
        <Image
          unoptimized
          width={280}
          height={96}
          className="letter-logo d-block mb-3"
          src={`/api/logo?of=${hash}`}
          alt={say({ code: 'logo.of' })}
        />
      )}
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <FileButton
          label={say({ code: 'logo.choose' })}
          accept="image/png,image/jpeg"
          take={async ([file]) => {
            if (file) done(await send(file));
          }}
        />
        {hash && (
          <Button
            variant="plain"
            onClick={async () => {
              const result = await attempt(() => dropLogoAction({}));
              done(result.ok ? '' : result.message);
            }}
          >
            {say({ code: 'logo.drop' })}
          </Button>
        )}
        {problem && (
          <span className="field-problem" role="alert">
            {problem}
          </span>
        )}
      </div>
    </section>
  );
}
