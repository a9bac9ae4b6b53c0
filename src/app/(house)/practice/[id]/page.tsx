import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { DebriefView } from '@/features/practice';
import { attemptPage, modelsToPractise } from '@/features/practice/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/practice-exercise';

export const metadata = { title: 'Debrief' };
export default page({ permission: 'signedIn', name: '/practice/[id]' }, async ({ tx, params }) => {
  const found = await attemptPage(tx, params.id!);
  if (!found) return notFound();
  // On the same instrument once more, where it is still there under its name.
  const model = (await modelsToPractise(tx)).find((one) => one.name === found.one.title.split(', ')[0]);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'practice.debrief' })}</h1>
        <span className="gas-on-mark">{say({ code: 'practice.mark' })}</span>
        <span>
          {say({ code: `practice.kind.${found.one.kind}` })} · {found.one.title}
        </span>
      </div>
      <DebriefView page={found} model={model?.id ?? null} zone={(await readSettings(tx)).zone} />
    </main>
  );
});
