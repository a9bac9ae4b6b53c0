'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { attempt } from '@/platform/client/result';
import { say } from '@/core/words/say';
import { makeRemindersAction, sendAgainAction } from './actions';
import '@/core/words/en/due';

/** Makes what is due, or what of the chosen is; the jobs process sends it. Pressing it twice sends nothing twice. */
export function RemindButton({ assetIds }: { assetIds?: string[] }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [says, setSays] = useState('');
  const remind = async () => {
    setBusy(true);
    const made = await attempt(() => makeRemindersAction(assetIds ? { assetIds } : {}));
    setBusy(false);
    if (!made.ok) return setSays(made.message);
    const { mails, instruments, letters } = made.value;
    const told = mails > 0 || letters === 0 ? [say({ code: 'remind.made', numbers: { mails, instruments } })] : [];
    setSays([...told, say({ code: 'remind.letters', numbers: { letters } })].join(' ').trim());
    router.refresh();
  };
  return (
    <>
      <span role="status">{says}</span>
      <Button onClick={remind} disabled={busy}>
        {busy ? say({ code: 'remind.making' }) : say({ code: assetIds ? 'remind.these' : 'remind.all' })}
      </Button>
    </>
  );
}

export function SendAgainButton({ mailId }: { mailId: string }) {
  const router = useRouter();
  const [says, setSays] = useState('');
  const again = async () => {
    const put = await attempt(() => sendAgainAction({ mailId }));
    if (put.ok) router.refresh();
    else setSays(put.message);
  };
  return (
    <>
      <Button size="sm" variant="plain" onClick={again}>
        Send again
      </Button>
      {says && <span className="field-problem">{says}</span>}
    </>
  );
}
