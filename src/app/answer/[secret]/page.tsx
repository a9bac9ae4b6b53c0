import { AnswerSheet } from '@/features/questions';
import { publicQuestion } from '@/features/questions/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Your word', robots: { index: false }, referrer: 'same-origin' };
/** Looking answers nothing: programs that look at every link of a mail press nothing. */
export default page({ permission: 'public', name: '/answer/[secret]' }, async ({ tx, params, search }) => (
  <main className="page page-narrow">
    <div className="sheet">
      <AnswerSheet
        question={await publicQuestion(tx, params.secret!)}
        secret={params.secret!}
        problem={search.name === 'needed'}
      />
    </div>
  </main>
));
