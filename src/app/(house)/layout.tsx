import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { ScanBox } from '@/features/counter';
import { HouseBar } from '@/features/office';
import { currentActor } from '@/platform/session';

export default async function HouseLayout({ children }: { children: ReactNode }) {
  // Keeps the bar out of the static build, which has no session.
  await headers();
  // Only the bar is drawn here; each page asks for the session itself. Out of reach of the database the page below says so.
  const actor = await currentActor().catch(() => null);
  return (
    <>
      {actor && (
        <HouseBar name={actor.name} role={actor.role}>
          <ScanBox />
        </HouseBar>
      )}
      {children}
    </>
  );
}
