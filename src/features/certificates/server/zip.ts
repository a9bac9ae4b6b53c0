import { crc32 } from 'node:zlib';
import { Zip, type ZipInputFile } from 'fflate';
import { eq, inArray, sql } from 'drizzle-orm';
import { database } from '@/data/connection';
import { certificate, certificatePdf } from '@/data/schema';
import { say } from '@/core/words/say';
import { dateIn } from '@/platform/clock';
import { Problem } from '@/platform/problem';
import { doorRules } from '@/platform/settings';
import { chosenIds } from '@/platform/shape';
import { jsonName } from './json';
import { certificatePdfOf, pdfName } from './pdf';
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

/** So many are read at once: fewer ways to the database, and still little in memory. */
const BATCH = 16;

/** Some of them, as they were issued: one question for all; what was never drawn is drawn. */
async function read(ids: string[]): Promise<{ name: string; bytes: Uint8Array }[][]> {
  const rows = await database()
    .select({
      id: certificate.id,
      number: certificate.number,
      revision: certificate.revision,
      // As the database writes it: the same data as the file of one document, which is canonical; whoever checks a hash makes it canonical anyway (RFC 8785).
      text: sql<string>`jsonb_build_object('content', ${certificate.content}, 'signature', ${certificate.signature})::text`,
      pdf: certificatePdf.bytes,
    })
    .from(certificate)
    .leftJoin(certificatePdf, eq(certificatePdf.certificateId, certificate.id))
    .where(inArray(certificate.id, ids));
  const found = new Map(rows.map((row) => [row.id, row]));
  return Promise.all(
    ids.map(async (id) => {
      const row = found.get(id)!;
      const pdf = row.pdf ? { bytes: row.pdf, name: pdfName(row) } : await certificatePdfOf(id);
      const name = jsonName(row);
      return [
        { name: pdf.name, bytes: new Uint8Array(pdf.bytes.buffer, pdf.bytes.byteOffset, pdf.bytes.byteLength) },
        { name, bytes: new TextEncoder().encode(row.text) },
      ];
    }),
  );
}

/**
 * Documents of a choice as one ZIP: of each the PDF as issued and its data (JSON). Streamed: a handful at a time is read, the next while these are written, and only as fast as whoever takes it reads; so it costs no more for a thousand than for sixteen, and shows how far it is.
 * The files are not packed again: PDFs are packed already. Null where none of the chosen is on record.
 */
export async function documentsZip(ids: string[]): Promise<ReadableStream<Uint8Array> | null> {
  const documents = await known(ids);
  if (documents.length === 0) return null;
  const batches = Array.from({ length: Math.ceil(documents.length / BATCH) }, (_one, at) =>
    documents.slice(at * BATCH, (at + 1) * BATCH).map((one) => one.id),
  );
  let next = batches.length ? read(batches[0]!) : null;
  // A failure is told where it is waited for.
  next?.catch(() => undefined);
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
      if (!next) return;
      const files = (await next).flat();
      place += 1;
      next = batches[place] ? read(batches[place]!) : null;
      next?.catch(() => undefined);
      files.forEach(({ name, bytes }) => add(zip, name, bytes));
      if (!next) zip.end();
    },
    cancel() {
      zip.terminate();
    },
  });
}

/** A file as it is, its checksum by the platform: in script it takes as long as reading it. */
function add(zip: Zip, filename: string, bytes: Uint8Array): void {
  const file: ZipInputFile = { filename, size: bytes.length, crc: crc32(bytes), compression: 0 };
  zip.add(file);
  file.ondata!(null, bytes as Uint8Array<ArrayBuffer>, true);
}

/** The answer of a route that gives them out. Errors: Problem (404) where none of them is on record. */
export async function zipResponse(ids: string[], now: Date): Promise<Response> {
  const [stream, { zone }] = await Promise.all([documentsZip(ids), doorRules(database())]);
  if (!stream) throw new Problem(say({ code: 'certificates.noneChosen' }), {}, 404);
  return new Response(stream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="documents-${dateIn(zone, now)}.zip"`,
      'cache-control': 'no-store',
    },
  });
}
