import { Zip, ZipPassThrough } from 'fflate';
import { inArray } from 'drizzle-orm';
import { database } from '@/data/connection';
import { certificate } from '@/data/schema';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import { chosenIds } from '@/platform/shape';
import { documentJson } from './json';
import { certificatePdfOf } from './pdf';
import '@/core/words/en/certificates-room';

/** Documents of one file. */
export const MOST_DOCUMENTS = 1000;

/** Which of the chosen documents there are, in the order of their numbers. */
async function known(ids: string[]) {
  const chosen = chosenIds(ids, MOST_DOCUMENTS);
  if (chosen.length === 0) return [];
  return database()
    .select({ id: certificate.id })
    .from(certificate)
    .where(inArray(certificate.id, chosen))
    .orderBy(certificate.number, certificate.revision);
}

/**
 * Documents of a choice as one ZIP: of each the PDF as issued and its data (JSON). Streamed: one document at a time is read, and only as fast as whoever takes it reads; so it costs no more for a thousand than for one, and shows how far it is.
 * The files are not packed again: PDFs are packed already. Null where none of the chosen is on record.
 */
export async function documentsZip(ids: string[]): Promise<ReadableStream<Uint8Array> | null> {
  const documents = await known(ids);
  if (documents.length === 0) return null;
  let place = 0;
  let zip: Zip;
  return new ReadableStream<Uint8Array>({
    start(controller) {
      zip = new Zip((error, part, last) => {
        if (error) return controller.error(error);
        controller.enqueue(part);
        if (last) controller.close();
      });
    },
    async pull() {
      const one = documents[place];
      if (!one) return;
      const { bytes, name } = await certificatePdfOf(one.id);
      const data = await database().transaction((tx) => documentJson(tx, one.id));
      add(zip, name, new Uint8Array(bytes));
      add(zip, data.name, new TextEncoder().encode(data.text));
      place += 1;
      if (place === documents.length) zip.end();
    },
    cancel() {
      zip.terminate();
    },
  });
}

function add(zip: Zip, name: string, bytes: Uint8Array): void {
  const file = new ZipPassThrough(name);
  zip.add(file);
  file.push(bytes, true);
}

/** The answer of a route that gives them out. Errors: Problem (404) where none of them is on record. */
export async function zipResponse(ids: string[], now: Date): Promise<Response> {
  const stream = await documentsZip(ids);
  if (!stream) throw new Problem(say({ code: 'certificates.noneChosen' }), {}, 404);
  return new Response(stream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="documents-${now.toISOString().slice(0, 10)}.zip"`,
      'cache-control': 'no-store',
    },
  });
}
