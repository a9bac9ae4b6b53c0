import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import '@/core/words/en/due';

/** What of the post waits for a hand; nothing where nothing does. */
export function PostToDo({ letters, refused }: { letters: number; refused: number }) {
  if (letters + refused === 0) return null;
  return (
    <p className="notice d-flex flex-wrap gap-3" data-testid="post-to-do">
      {letters > 0 && <Link href="/due/letters">{say({ code: 'letters.wait', numbers: { count: letters } })}</Link>}
      {refused > 0 && (
        <Link href="/due/outbox?state=refused">{say({ code: 'letters.refused', numbers: { count: refused } })}</Link>
      )}
    </p>
  );
}
