import { FactorPanel, PasskeyPanel, PasswordPanel, SessionsPanel, UnlockPanel } from '@/features/account';
import { factorsOf, passkeyHost, sessionsOf } from '@/features/account/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { currentStanding } from '@/platform/session';
import { readSettings } from '@/platform/settings';
import { dayTime } from '@/ui/format';
import '@/core/words/en/house';
import '@/core/words/en/account';

export const metadata = { title: 'Your own page' };
export default page({ permission: 'signedIn', withoutFactor: true, name: '/account' }, async ({ tx, actor }) => {
  const { zone } = await readSettings(tx);
  const factors = await factorsOf({ tx, actor });
  const sessions = await sessionsOf({ tx, actor });
  const standing = await currentStanding();
  const first = standing?.lacksOwnPassword ?? false;
  const lacks = standing?.lacksFactor ?? false;
  const at = (date: Date) => dayTime(date, zone);
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'account.title' })}</h1>
        <span className="quiet">
          {actor.name}, {say({ code: `role.${actor.role}` })}, {factors.email}
        </span>
      </div>
      {first && (
        <>
          <p className="notice bad" role="alert">
            {say({ code: 'account.once' })}
          </p>
          <PasswordPanel first />
        </>
      )}
      {lacks && !first && (
        <p className="notice bad" role="alert">
          {say({ code: 'factor.needed' })}
        </p>
      )}
      <FactorPanel on={factors.codes} />
      <PasskeyPanel
        possible={passkeyHost(process.env.WERKBANK_ORIGIN) !== null}
        keys={factors.passkeys.map((one) => ({
          id: one.id,
          name: one.name,
          said: one.usedAt
            ? say({ code: 'passkey.used', numbers: { made: at(one.madeAt), used: at(one.usedAt) } })
            : say({ code: 'passkey.unused', numbers: { made: at(one.madeAt) } }),
        }))}
      />
      <UnlockPanel pin={factors.pin} badge={factors.badge} />
      {!first && <PasswordPanel />}
      <SessionsPanel
        sessions={sessions.map((one) => ({
          id: one.id,
          browser: one.browser,
          here: one.here,
          locked: one.locked,
          said: say({ code: 'account.since', numbers: { since: at(one.since), seen: at(one.seen) } }),
        }))}
      />
    </main>
  );
});
