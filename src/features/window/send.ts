import { say } from '@/core/words/say';
import { post } from '@/platform/client/post';
import type { ClientResult } from '@/platform/client/result';
import '@/core/words/en/window';

const EVERY_MS = 300;
const PATIENCE_MS = 20_000;

interface State {
  state: 'waiting' | 'done' | 'refused';
  answer: { message?: string; fields?: Record<string, string> } | null;
}

/** Asks something of the house and waits until it was done or refused. */
export async function sendToHouse(kind: string, what: object): Promise<ClientResult<string>> {
  const sent = await post<{ id: string }>('/api/window/request', { kind, what });
  if (!sent.ok) return sent;
  const until = Date.now() + PATIENCE_MS;
  while (Date.now() < until) {
    await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
    const response = await fetch(`/api/window/request/${sent.value.id}`).catch(() => null);
    const now = response?.ok ? ((await response.json()) as State) : null;
    if (now?.state === 'done') return { ok: true, value: now.answer?.message ?? '' };
    if (now?.state === 'refused')
      return { ok: false, code: 'refused', message: now.answer?.message ?? '', fields: now.answer?.fields ?? {}, status: 409 };
  }
  return { ok: false, code: 'waits', message: say({ code: 'window.tooLong' }), fields: {}, status: 503 };
}
