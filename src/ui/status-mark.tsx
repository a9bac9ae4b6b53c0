import type { StatusId } from '@/core/results/instrument-status';
import { say } from '@/core/words/say';
import '@/core/words/en/status';

/** A tag that stands: shown wherever somebody meets the instrument. Nothing for one that is in use. */
export function StatusMark({ status, why = '' }: { status: StatusId; why?: string }) {
  return status === 'inUse' ? null : (
    <span className="status-mark" title={why} data-testid="status-mark">
      {say({ code: `status.head.${status}` })}
    </span>
  );
}
