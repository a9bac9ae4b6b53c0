import { sayLocked } from './locked';

/** What an action or route answers, as the browser sees it. */
export type ClientResult<T> =
  { ok: true; value: T } | { ok: false; code: string; message: string; fields: Record<string, string>; status: number };

/** The same, where only matters whether it was done. */
export type Attempted = ClientResult<unknown>;

/** Calls a server action; a lost network becomes the same kind of answer as any other failure, so that the form keeps what was typed. */
export async function attempt<T>(call: () => Promise<ClientResult<T>>): Promise<ClientResult<T>> {
  try {
    const result = await call();
    if (!result.ok && result.code === 'locked') sayLocked();
    return result;
  } catch (error) {
    if (error instanceof Error && 'digest' in error) throw error;
    return {
      ok: false,
      code: 'network',
      message: 'The workshop’s server can’t be reached just now. Nothing is lost: send it again in a moment.',
      fields: {},
      status: 0,
    };
  }
}

/** What is to be said below a form: nothing where a field says the same already. */
export const messageBeside = ({ message, fields }: { message: string; fields: Record<string, string> }): string =>
  Object.values(fields).includes(message) ? '' : message;

/** What is to be said beside a field `why`; nothing where it was done. */
export const saidOfWhy = (result: Attempted): string => (result.ok ? '' : (result.fields.why ?? result.message));
