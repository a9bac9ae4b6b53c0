'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { dropUnlockAction, makeBadgeAction, setPinAction } from './actions';
import { Asked } from './factor-panel';
import { picture } from './picture';
import '@/core/words/en/account';

/** PIN and badge: what unlocks a bench computer at which somebody signed in that day. */
export function UnlockPanel({ pin, badge }: { pin: boolean; badge: boolean }) {
  const router = useRouter();
  const [shown, setShown] = useState<{ code: string; name: string; picture: string } | null>(null);
  const [message, setMessage] = useState('');
  return (
    <section className="sheet mt-3" aria-label={say({ code: 'pin.title' })}>
      <h2>{say({ code: 'pin.title' })}</h2>
      <p className="quiet small">{say({ code: 'pin.why' })}</p>
      {pin && <p className="fw-semibold mb-1">{say({ code: 'pin.kept' })}</p>}
      <Asked
        label="pin.pin"
        field="pin"
        secret
        acts={[
          [
            'pin.set',
            async (typed) => {
              const result = await attempt(() => setPinAction({ pin: typed }));
              if (result.ok) router.refresh();
              return result;
            },
          ],
        ]}
      />
      <div className="mt-3 d-flex flex-wrap gap-2 align-items-center">
        <Button
          variant="plain"
          onClick={async () => {
            const result = await attempt(() => makeBadgeAction({}));
            if (result.ok) setShown(result.value);
            setMessage(result.ok ? '' : result.message);
            if (result.ok) router.refresh();
          }}
        >
          {say({ code: 'pin.badge' })}
        </Button>
        {(pin || badge) && (
          <Button
            variant="plain"
            onClick={async () => {
              const result = await attempt(() => dropUnlockAction({}));
              setMessage(result.ok ? '' : result.message);
              setShown(null);
              if (result.ok) router.refresh();
            }}
          >
            {say({ code: 'pin.drop' })}
          </Button>
        )}
        {badge && !shown && <span className="quiet small">{say({ code: 'pin.badgeKept' })}</span>}
      </div>
      {shown && (
        <div className="badge-card mt-3">
          {/* eslint-disable-next-line @next/next/no-img-element -- drawn this once, never a file */}
          <img alt="" src={picture(shown.picture)} width={130} height={130} className="bg-white" />
          <div>
            <strong className="d-block fs-5">{shown.name}</strong>
            <span className="mono small d-block" data-testid="badge">
              {shown.code}
            </span>
            <span className="quiet small d-block">{say({ code: 'pin.shown' })}</span>
            <Button variant="plain" size="sm" onClick={() => window.print()}>
              {say({ code: 'factor.print' })}
            </Button>
          </div>
        </div>
      )}
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
    </section>
  );
}
