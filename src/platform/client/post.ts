import type { ClientResult } from './result';

/** Posts JSON to one of our routes; a lost network becomes the same kind of answer as any other failure. */
export async function post<T>(path: string, body: unknown): Promise<ClientResult<T>> {
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const answer = (await response.json()) as T & Exclude<ClientResult<T>, { ok: true }>;
    return response.ok ? { ok: true, value: answer } : { ...answer, ok: false, status: response.status };
  } catch {
    return { ok: false, code: 'network', message: 'The workshop’s server can’t be reached just now.', fields: {}, status: 0 };
  }
}
