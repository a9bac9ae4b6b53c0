import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { LockedClocks, LockScreen, signOutAction, signOutEverywhereAction } from '@/features/account';
import { passkeyHost, peopleOfScreen } from '@/features/account/server';
import { ScanBox } from '@/features/counter';
import { HouseBar } from '@/features/office';
import { database } from '@/data/connection';
import { currentStanding } from '@/platform/session';
import { doorRules } from '@/platform/settings';
import { DayOrderOf } from '@/ui/day-order';
import { ZoneOf } from '@/ui/zone';

export default async function HouseLayout({ children }: { children: ReactNode }) {
  // Keeps the bar out of the static build, which has no session.
  await headers();
  // Only the bar is drawn here; each page asks for the session itself. Out of reach of the database the page below says so.
  const drawn = await standingAndRules().catch(() => null);
  return (
    <>
      {drawn && (
        <>
          {!drawn.standing.locked && (
            <HouseBar
              name={drawn.standing.actor.name}
              role={drawn.standing.actor.role}
              leave={signOutAction}
              leaveEverywhere={signOutEverywhereAction}
            >
              <ScanBox />
            </HouseBar>
          )}
          <LockScreen
            me={drawn.standing.actor}
            afterMinutes={drawn.lockAfterMinutes}
            locked={drawn.standing.locked}
            people={drawn.people}
            passkeys={passkeyHost(process.env.WERKBANK_ORIGIN) !== null}
          >
            <LockedClocks />
          </LockScreen>
        </>
      )}
      <ZoneOf zone={drawn?.zone ?? 'UTC'}>
        <DayOrderOf order={drawn?.dayOrder ?? 'dayFirst'}>{children}</DayOrderOf>
      </ZoneOf>
    </>
  );
}

async function standingAndRules() {
  const standing = await currentStanding();
  if (!standing) return null;
  const { lockAfterMinutes, dayOrder, zone } = await doorRules(database());
  return { standing, lockAfterMinutes, dayOrder, zone, people: await peopleOfScreen() };
}
