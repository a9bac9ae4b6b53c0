'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { attempt } from '@/platform/client/result';
import { makeRemindersAction, sendAgainAction, sendQueuedAction } from './actions';

/** Makes what is due and sends it. Pressing it twice sends nothing twice. */
export function RemindButton() {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [says, setSays] = useState('');
  const remind = async () => {
    setBusy(true);
    const made = await attempt(() => makeRemindersAction({}));
    const sent = made.ok ? await attempt(() => sendQueuedAction({})) : null;
    setBusy(false);
    if (!made.ok) return setSays(made.message);
    if (!sent?.ok) return setSays(sent?.message ?? '');
    const { value } = sent;
    setSays(
      `${made.value.mails} mail${made.value.mails === 1 ? '' : 's'} made for ${made.value.instruments} instruments; ${value.sent} sent${value.queued ? `, ${value.queued} waiting: the mail server can’t be reached` : ''}${value.uncertain ? `, ${value.uncertain} uncertain` : ''}${value.refused ? `, ${value.refused} refused` : ''}.`,
    );
    router.refresh();
  };
  return (
    <>
      <span role="status">{says}</span>
      <Button onClick={remind} disabled={busy}>
        {busy ? 'Sending …' : 'Send the reminders that are due'}
      </Button>
    </>
  );
}

export function SendAgainButton({ mailId }: { mailId: string }) {
  const router = useRouter();
  const [says, setSays] = useState('');
  const again = async () => {
    const put = await attempt(() => sendAgainAction({ mailId }));
    const sent = put.ok ? await attempt(() => sendQueuedAction({})) : put;
    if (sent.ok) router.refresh();
    else setSays(sent.message);
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
