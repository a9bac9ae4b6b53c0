import { notFound } from 'next/navigation';
import { RunSheet } from '@/features/bench';
import { runView } from '@/features/bench/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Run' };
export default page({ permission: 'signedIn', name: '/runs/[id]' }, async ({ tx, actor, params }) => {
  const view = await runView(tx, params.id!, actor);
  return view ? <RunSheet view={view} zone={(await readSettings(tx)).zone} /> : notFound();
});
