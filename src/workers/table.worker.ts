import { readTable, Unreadable, type NotRead, type Table } from './read-table';
import '@/core/words/en/imports';

export type TableAnswer = { type: 'table'; table: Table } | { type: 'notRead'; why: NotRead };

const scope = self as unknown as { onmessage: (event: MessageEvent<File>) => void; postMessage: (answer: TableAnswer) => void };

/** A thin shell: reads a file beside the page, which goes on hearing what is pressed. */
scope.onmessage = ({ data: file }) => {
  void (async () => {
    try {
      scope.postMessage({ type: 'table', table: await readTable(new Uint8Array(await file.arrayBuffer()), file.name) });
    } catch (error) {
      scope.postMessage({ type: 'notRead', why: error instanceof Unreadable ? error.why : { code: 'import.kindOf' } });
    }
  })();
};
