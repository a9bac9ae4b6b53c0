import type { CertificateVersion2, JudgedText } from '@/core/certificate/version-2';
import { closeDatabase, pool } from '@/data/connection';
import { PROCEDURES } from '@/procedures';
import { certificateContent } from '@/core/certificate/content';
import { imported, sampleDocuments, sourceOf } from './samples/documents';
import { SHELF } from './samples/references';
import { inGas } from './samples/runs';

/** npm run budget-table: every family and point of the demo and the samples with its budget in shares, and what stood there when a budget was reference and resolution alone. For docs/decisions. */
const { rows } = await pool().query<{ content: CertificateVersion2 }>(
  `select content from certificate
   where content->>'schema' = 'werkbank-certificate/2' and content->>'kind' <> 'withdrawal' order by serial desc`,
);
const two = (value: number) => String(Number(value.toPrecision(2)));

/** U of reference and display step alone, k = 2: the budget of before. */
function before(judged: JudgedText): string {
  const parts = judged.budget.filter((one) => one.name === 'reference as certified' || one.name === 'resolution of the display');
  return two(2 * Math.sqrt(parts.reduce((sum, one) => sum + Number(one.contribution) ** 2, 0)));
}
function shares(judged: JudgedText): string {
  const whole = Number(judged.standard) ** 2;
  return [...judged.budget]
    .map((one) => ({ name: one.name, share: Math.round((100 * Number(one.contribution) ** 2) / whole) }))
    .filter((one) => one.share >= 1)
    .sort((a, b) => b.share - a.share)
    .map((one) => `${one.name} ${one.share}`)
    .join(', ');
}

const lines = new Map<string, string>();
/** Families of which neither the demo nor the samples hold a calibration with figures of its own. */
const flown = ['OF-440', 'OF-120', 'OF-125', 'VT-47'].map((model) =>
  certificateContent(sourceOf(inGas(model, SHELF.four), model, null)),
);
/** Read by the station, judged by this house’s budget. */
const station = certificateContent(sourceOf(imported('OF-430'), 'OF-430', null));
const documents = [...rows.map((row) => row.content), ...sampleDocuments().map((sample) => sample.content), ...flown, station];
for (const content of documents) {
  const { procedure } = content.method;
  const shipped = PROCEDURES.find((one) => one.id === procedure || one.title === procedure);
  const family = shipped ? `${String(shipped.family).padStart(2, '0')} ${shipped.id}` : procedure;
  for (const line of content.results) {
    const judged = line.left?.budget.length ? line.left : line.found;
    const key = `${family}|${line.label}|${line.point}`;
    if (!judged?.budget.length || lines.has(key)) continue;
    lines.set(
      key,
      `| ${family} | ${line.label}, ${line.unit.shown} | ${line.point} | ${before(judged)} | ${judged.expanded} | ${judged.k} | ${shares(judged)} |`,
    );
  }
}
console.log('| family | channel | point | U before | U now | k | shares of the variance now, % |');
console.log('|---|---|---|---|---|---|---|');
[...lines.keys()].sort().forEach((key) => console.log(lines.get(key)));
await closeDatabase();
