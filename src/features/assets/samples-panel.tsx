'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import type { SampleQuantity, Samples } from '@/core/instrument/samples';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { keepSamplesAction } from './actions';
import { SamplesFields } from '@/features/counter';
import '@/core/words/en/samples';

/** What an instrument is used for, corrected on its card. */
export function SamplesPanel({ assetId, asked, samples }: { assetId: string; asked: SampleQuantity[]; samples: Samples }) {
  const router = useRouter();
  const [typed, setTyped] = useState(samples);
  const [said, setSaid] = useState<{ text: string; fields: Record<string, string> }>({ text: '', fields: {} });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() =>
      keepSamplesAction({ assetId, ph: typed.ph ?? '', conductivity: typed.conductivity ?? '' }),
    );
    setSaid(result.ok ? { text: say({ code: 'samples.kept' }), fields: {} } : { text: '', fields: result.fields });
    if (result.ok) router.refresh();
  };
  return (
    <form className="sheet mt-3" onSubmit={send} data-testid="samples">
      <h2>{say({ code: 'samples.title' })}</h2>
      <SamplesFields asked={asked} typed={typed} problems={said.fields} onChange={setTyped} />
      <Button type="submit" variant="plain" size="sm">
        {say({ code: 'samples.keep' })}
      </Button>{' '}
      <span role="status" className="quiet small">
        {said.text}
      </span>
    </form>
  );
}
