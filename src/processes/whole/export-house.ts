import { createWriteStream, mkdirSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import { join } from 'node:path';
import Papa from 'papaparse';
import { Client } from 'pg';
import { LEFT_OUT } from './left-out';
import { FORM, MANIFEST, sha256OfFile, type Manifest } from './manifest';

/** Rows read at once. */
const ROWS = 500;
const DESCRIPTION = `# A whole workshop as open files

- \`tables/NAME.jsonl\`: one JSON object a row, in the order of the table's key; instants are UTC (ISO 8601), bytes are hexadecimal after \`\\x\`. \`certificate.jsonl\` holds the documents as signed data, \`run_event.jsonl\` everything that happened on the bench.
- \`tables/NAME.csv\`: customers, instruments and documents once more, as a table.
- \`documents/NUMBER.pdf\`: the documents as issued; \`-rN\` is revision N.
- \`manifest.json\`: rows of each table, SHA-256 of each file, the schema's versions.

Left out is what is no record: passwords, second factors, sessions, tokens. The key that signs stands in the house's secrets and its encrypted backups, never here; the published keys are in \`signing_key.jsonl\`.

\`npm run read-back -- FOLDER\` reads it into an empty house of the same version: exported again, its files have the same SHA-256.
`;
/** What people open in a spreadsheet. Formulas are defused as in every list that leaves. */
const LISTS: Record<string, string> = {
  customers: `select name, address, contact, email, phone, retired_at from customer order by name, id`,
  instruments: `select a.serial, a.tag, m.maker, m.name as model, c.name as customer, a.status, a.next_due from asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id order by a.serial, a.id`,
  documents: `select d.number, d.revision, d.kind, d.issued_at, d.issued_by, a.serial, c.name as customer, d.hash from certificate d join asset a on a.id = d.asset_id join customer c on c.id = d.customer_id order by d.number, d.revision`,
};

interface Told {
  (what: string): void;
}

/** Writes a whole house into a folder, as it is at one moment. Errors: of the database and the disk. */
export async function exportHouse(address: string, folder: string, now: Date, tell: Told = () => undefined): Promise<Manifest> {
  mkdirSync(join(folder, 'tables'), { recursive: true });
  mkdirSync(join(folder, 'documents'), { recursive: true });
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    await client.query("set timezone to 'UTC'; begin isolation level repeatable read read only");
    const tables: Manifest['tables'] = [];
    const files: string[] = [];
    for (const { name, key } of await tablesOf(client)) {
      const file = `tables/${name}.jsonl`;
      const rows = await writeTable(client, { name, key, path: join(folder, file), folder, files });
      tables.push({ name, file, rows });
      files.push(file);
      tell(`${name}: ${rows}`);
    }
    for (const [name, query] of Object.entries(LISTS)) {
      const file = `tables/${name}.csv`;
      writeFileSync(join(folder, file), Papa.unparse((await client.query<object>(query)).rows, { escapeFormulae: true }));
      files.push(file);
    }
    writeFileSync(join(folder, 'README.md'), DESCRIPTION);
    const { rows } = await client.query<{ name: string }>('select name from schema_migration order by name');
    await client.query('commit');
    const manifest: Manifest = {
      form: FORM,
      exportedAt: now.toISOString(),
      migrations: rows.map((one) => one.name),
      tables,
      files: Object.fromEntries(
        await Promise.all(files.sort().map(async (one) => [one, await sha256OfFile(join(folder, one))] as const)),
      ),
    };
    writeFileSync(join(folder, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`);
    return manifest;
  } finally {
    await client.end();
  }
}

/** Every table that leaves, with the columns of its key. */
export async function tablesOf(client: Client): Promise<{ name: string; key: string[] }[]> {
  const { rows } = await client.query<{ name: string; key: string[] }>(
    `select c.relname as name, array(select a.attname::text from unnest(i.indkey) with ordinality k(attnum, place) join pg_attribute a on a.attrelid = c.oid and a.attnum = k.attnum order by k.place) as key
     from pg_class c join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public' left join pg_index i on i.indrelid = c.oid and i.indisprimary where c.relkind = 'r' order by c.relname`,
  );
  return rows.filter(({ name }) => !(name in LEFT_OUT));
}

const quoted = (name: string) => `"${name.replace(/"/g, '""')}"`;

async function writeTable(
  client: Client,
  { name, key, path, folder, files }: { name: string; key: string[]; path: string; folder: string; files: string[] },
): Promise<number> {
  const out = createWriteStream(path);
  const order = key.length ? ` order by ${key.map((one) => `t.${quoted(one)}`).join(', ')}` : '';
  const pdf = name === 'certificate_pdf';
  // A document's PDF is a file of its own, under the number that people know.
  await client.query(
    pdf
      ? `declare rows cursor for select (to_jsonb(t) - 'bytes')::text as row, t.bytes, c.number || case when c.revision > 0 then '-r' || c.revision else '' end as number from certificate_pdf t join certificate c on c.id = t.certificate_id${order}`
      : `declare rows cursor for select to_jsonb(t)::text as row from ${quoted(name)} t${order}`,
  );
  let count = 0;
  for (;;) {
    const { rows } = await client.query<{ row: string; bytes?: Buffer; number?: string }>(`fetch ${ROWS} from rows`);
    if (rows.length === 0) break;
    for (const { row, bytes, number } of rows) {
      let line = row;
      if (pdf) {
        const file = `documents/${number!.replace(/[^\w.-]/g, '_')}.pdf`;
        writeFileSync(join(folder, file), bytes!);
        files.push(file);
        line = JSON.stringify({ ...(JSON.parse(row) as object), file });
      }
      if (!out.write(`${line}\n`)) await once(out, 'drain');
      count += 1;
    }
  }
  await client.query('close rows');
  out.end();
  await once(out, 'finish');
  return count;
}
