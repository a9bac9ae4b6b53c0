import { say } from '@/core/words/say';
import type { Parcel } from './outbox';

/** Presses of somebody else that wait in this browser: seen by everybody, recorded under their owner alone. */
export function WaitingMark({ waiting }: { waiting: Parcel[] }) {
  if (waiting.length === 0) return null;
  const names = [...new Set(waiting.map((one) => one.by?.name ?? '?'))].join(', ');
  return (
    <div className="notice mb-2" role="status" data-testid="waiting-mark">
      {say({ code: 'waiting.others', numbers: { count: waiting.length, names } })}
    </div>
  );
}
