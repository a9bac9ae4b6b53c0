import type { TableAnswer } from '@/workers/table.worker';
import type { NotRead, Table } from '@/workers/read-table';
import { attempt } from '@/platform/client/result';
import { addRowsAction, beginImportAction } from './actions';
import type { ImportKind } from './import-fields';
import { ROWS_AT_ONCE } from './schemas';
import '@/core/words/en/imports';

/** Reads a file beside the page. */
export function readFile(file: File, signal: AbortSignal): Promise<{ table: Table } | { why: NotRead }> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/table.worker.ts', import.meta.url));
    const end = () => worker.terminate();
    signal.addEventListener('abort', () => (end(), reject(new DOMException('cancelled', 'AbortError'))));
    worker.onmessage = ({ data }: MessageEvent<TableAnswer>) => {
      end();
      resolve(data.type === 'table' ? { table: data.table } : { why: data.why });
    };
    worker.onerror = () => (end(), resolve({ why: { code: 'import.kindOf' } }));
    worker.postMessage(file);
  });
}

/** Sends a table some hundred rows at a time, so that it can be followed and cancelled. Gives back its id, or what was refused. */
export async function sendTable(
  { table, kind, fileName }: { table: Table; kind: ImportKind; fileName: string },
  { signal, progress }: { signal: AbortSignal; progress: (done: number) => void },
): Promise<{ batchId: string } | { message: string }> {
  const begun = await attempt(() => beginImportAction({ kind, fileName, columns: table.columns }));
  if (!begun.ok) return { message: begun.message };
  const { batchId } = begun.value;
  for (let at = 0; at < table.rows.length; at += ROWS_AT_ONCE) {
    signal.throwIfAborted();
    const rows = table.rows.slice(at, at + ROWS_AT_ONCE);
    const sent = await attempt(() =>
      addRowsAction({ batchId, first: at + 1, rows, last: at + rows.length >= table.rows.length }),
    );
    if (!sent.ok) return { message: sent.message };
    progress(at + rows.length);
  }
  return { batchId };
}
