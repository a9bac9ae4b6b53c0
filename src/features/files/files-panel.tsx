'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Image from 'next/image';
import { FileText } from 'lucide-react';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { FileButton } from '@/ui/file-button';
import { WhyForm } from '@/ui/why-form';
import { dayIn } from '@/ui/format';
import { useZone } from '@/ui/zone';
import { renameFileAction, takeFileAwayAction } from './actions';
import type { FileShown } from './server/keep-file';
import '@/core/words/en/files';

interface Props {
  about: 'asset' | 'ticket' | 'reference' | 'customer' | 'model';
  aboutId: string;
  files: readonly FileShown[];
  mayKeep: boolean;
}

async function send(about: string, aboutId: string, file: File): Promise<string> {
  const query = new URLSearchParams({ about, id: aboutId, name: file.name });
  try {
    const response = await fetch(`/api/files?${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    });
    const answer = (await response.json()) as { ok: boolean; message?: string };
    return answer.ok ? '' : (answer.message ?? say({ code: 'files.notSent', numbers: { name: file.name } }));
  } catch {
    return say({ code: 'files.notSent', numbers: { name: file.name } });
  }
}

/** Photos and papers beside something: shown small, opened whole, added several at once. One that is refused says why, the others come in. */
export function FilesPanel({ about, aboutId, files, mayKeep }: Props) {
  const router = useRouter();
  const zone = useZone();
  const [sending, setSending] = useState('');
  const [said, setSaid] = useState<string[]>([]);
  const add = async (chosen: readonly File[]) => {
    const problems: string[] = [];
    for (const file of chosen) {
      setSending(file.name);
      const problem = await send(about, aboutId, file);
      if (problem) problems.push(problem);
    }
    setSending('');
    setSaid(problems);
    router.refresh();
  };
  return (
    <section className="sheet mt-3" data-testid="files">
      <h2>{say({ code: 'files.title' })}</h2>
      {files.length === 0 && <p className="quiet">{say({ code: 'files.none' })}</p>}
      <div className="d-flex flex-wrap gap-3 mb-2">
        {files.map((file) => (
          <figure key={file.id} className="kept-file">
            <a href={`/api/files/${file.id}`} target="_blank" rel="noreferrer">
              {file.mime === 'application/pdf' ? (
                <FileText size={56} aria-hidden />
              ) : (
                <Image unoptimized width={144} height={96} src={`/api/files/${file.id}`} alt="" />
              )}
              <span className="d-block">{file.name}</span>
            </a>
            <figcaption className="quiet small">
              {say({ code: 'files.by', numbers: { by: file.keptBy, on: dayIn(file.keptAt, zone) } })}
            </figcaption>
            {mayKeep && (
              <>
                <WhyForm
                  testId="rename-file"
                  title={say({ code: 'files.renameIt' })}
                  label={say({ code: 'files.rename' })}
                  example={file.name}
                  act={async (name) => {
                    const result = await attempt(() => renameFileAction({ fileId: file.id, name }));
                    return result.ok ? '' : (result.fields.name ?? result.message);
                  }}
                />
                <WhyForm
                  testId="take-file-away"
                  title={say({ code: 'files.takeAway' })}
                  label={say({ code: 'files.why' })}
                  act={async (why) => saidOfWhy(await attempt(() => takeFileAwayAction({ fileId: file.id, why })))}
                />
              </>
            )}
          </figure>
        ))}
      </div>
      {mayKeep && (
        <FileButton
          label={say({ code: 'files.add' })}
          accept="image/jpeg,image/png,application/pdf"
          multiple
          take={(chosen) => void add(chosen)}
        />
      )}
      {sending && (
        <span className="quiet ms-2" role="status">
          {say({ code: 'files.sending', numbers: { name: sending } })}
        </span>
      )}
      {said.map((one) => (
        <p key={one} className="field-problem mb-0" role="alert">
          {one}
        </p>
      ))}
    </section>
  );
}
