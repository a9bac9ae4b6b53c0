'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { useRouter } from 'next/navigation';
import { day } from '@/ui/format';
import { useKeys } from '@/ui/use-keys';
import { takeAdviceAction } from './actions';
import { adviceSentence, everyText, visitsAYear } from './advice-sentence';
import { NumbersBehind, type T90s } from './numbers-behind';
import type { AssetOutlook } from './server/asset-outlook';
import '@/core/words/en/advice';

interface Props {
  assetId: string;
  outlook: AssetOutlook;
  t90s: T90s;
  mayTake: boolean;
}

/** What the history of an instrument says: one sentence with its reason, what would become of it, and the numbers behind it folded away. */
export function OutlookPanel({ assetId, outlook, t90s, mayTake }: Props) {
  const router = useRouter();
  const [says, setSays] = useState({ text: '', bad: false });
  const { advice, present } = outlook;
  const every = advice?.every ?? null;
  const changes = advice && every && (advice.code === 'extend' || advice.code === 'shorten' || advice.code === 'tooFast');
  const take = async () => {
    if (!every) return;
    const result = await attempt(() =>
      takeAdviceAction({ assetId, ...('days' in every ? { days: every.days } : { months: every.months }) }),
    );
    setSays(
      result.ok
        ? { text: say({ code: 'advice.taken', numbers: { due: day(result.value.due) } }), bad: false }
        : { text: messageBeside(result), bad: true },
    );
    router.refresh();
  };
  useKeys(mayTake && changes ? { i: () => void take() } : {});
  return (
    <section className="sheet mt-3" data-testid="outlook" aria-label={say({ code: 'advice.title' })}>
      <h2>{say({ code: 'advice.title' })}</h2>
      <p className="fs-5 mb-2">
        {advice && present ? adviceSentence(advice, present) : say({ code: present ? 'advice.tooFew' : 'advice.noPolicy' })}
      </p>
      {changes && present && every && (
        <div className="d-flex flex-wrap gap-4 align-items-end mb-2">
          <Effect outlook={outlook} present={present} every={every} />
          {mayTake && (
            <Button variant="primary" onClick={() => void take()}>
              {say({ code: 'advice.take' })} <kbd>I</kbd>
            </Button>
          )}
        </div>
      )}
      {says.text && (
        <p role="status" className={says.bad ? 'field-problem' : 'mb-2'}>
          {says.text}
        </p>
      )}
      {outlook.channels.length > 0 && <NumbersBehind outlook={outlook} t90s={t90s} />}
    </section>
  );
}

/** What the advised interval costs and brings beside the present one. */
function Effect({
  outlook,
  present,
  every,
}: {
  outlook: AssetOutlook;
  present: NonNullable<AssetOutlook['present']>;
  every: NonNullable<AssetOutlook['present']>;
}) {
  const share = (part: number | undefined) =>
    part === undefined ? say({ code: 'advice.notForecast' }) : `${Math.round(part * 100)} %`;
  const { within } = outlook.advice!;
  const gas = (one: typeof present) => (outlook.litresARun === null ? null : (outlook.litresARun * visitsAYear(one)).toFixed(1));
  const rows = [
    ['advice.interval', everyText(present), everyText(every)],
    ['advice.share', share(within?.present), share(within?.advised)],
    ['advice.visits', visitsAYear(present).toFixed(1), visitsAYear(every).toFixed(1)],
    ...(gas(present) ? [['advice.gas', gas(present)!, gas(every)!] as const] : []),
  ] as const;
  return (
    <table className="table table-sm w-auto mb-0">
      <thead>
        <tr>
          <th />
          <th>{say({ code: 'advice.now' })}</th>
          <th>{say({ code: 'advice.then' })}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([code, now, then]) => (
          <tr key={code}>
            <td className="quiet">{say({ code })}</td>
            <td>{now}</td>
            <td className="fw-semibold">{then}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
