import { and, asc, eq } from 'drizzle-orm';
import type { Content, TDocumentDefinitions, TableCell } from 'pdfmake/interfaces';
import { blankSheet, type Blank, type SheetStep } from '@/core/paper/blank-sheet';
import { channelsAsked, schoolsOf } from '@/core/procedure/schools-of';
import type { Procedure } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, assetChannel, customer, instrumentModel } from '@/data/schema';
import { drawDefinition } from '@/platform/pdf';
import { readSettings } from '@/platform/settings';
import { dayIn } from '@/ui/format';
import { procedureById, proceduresById } from '@/features/procedures/server';
import '@/core/words/en/blank-sheet';

const QUIET = '#66706a';
const LINE = '#b9b3a4';

export interface SheetModel {
  id: string;
  name: string;
  /** Null: nothing to follow yet. */
  procedure: string | null;
}

/** Every model with its procedure: what can be printed before a day without the house. */
export async function modelsOnPaper(tx: Transaction): Promise<SheetModel[]> {
  const rows = await tx.select().from(instrumentModel).orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const procedures = await proceduresById(tx);
  return rows.map((row) => ({
    id: row.id,
    name: `${row.maker} ${row.name}`,
    procedure: procedures.get(row.procedureId ?? '')?.title ?? null,
  }));
}

/** The blank sheet of a model, or of one instrument of it with its customer and serial. Null where there is no such model or nothing to follow. */
export async function blankSheetPdf(
  tx: Transaction,
  { modelId, assetId, now }: { modelId: string; assetId?: string; now: Date },
): Promise<{ bytes: Buffer; name: string } | null> {
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, modelId));
  const procedure = await procedureById(tx, model?.procedureId ?? null);
  if (!model || !procedure) return null;
  const [own] = assetId
    ? await tx
        .select({ serial: asset.serial, tag: asset.tag, customer: customer.name, samples: asset.samples })
        .from(asset)
        .innerJoin(customer, eq(customer.id, asset.customerId))
        .where(and(eq(asset.id, assetId), eq(asset.modelId, modelId)))
    : [];
  const fitted = own
    ? await tx.select().from(assetChannel).where(eq(assetChannel.assetId, assetId!)).orderBy(asc(assetChannel.position))
    : [];
  const schools = schoolsOf(procedure, model.traits, own?.samples ?? {});
  const all = own ? fitted : model.channels.map((one) => ({ ...one, status: 'fitted' as const }));
  const channels = channelsAsked(
    all.map(({ role, label, unit, status }) => ({ role, label, unit, status })),
    procedure,
    schools,
  );
  const steps = blankSheet({
    procedure,
    channels: channels.filter((one) => one.status === 'fitted'),
    traits: model.traits,
    schools,
    service: 'calibrate',
  });
  const name = `${model.maker} ${model.name}`;
  const house = await readSettings(tx);
  const definition = sheetDefinition({
    name,
    procedure,
    steps,
    instrument: own ? `${own.customer}; ${[own.tag, own.serial].filter(Boolean).join(', ')}` : '',
    house: house.name,
    day: dayIn(now, house.zone),
  });
  return { bytes: await drawDefinition(definition), name: `bench-sheet-${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.pdf` };
}

interface Sheet {
  name: string;
  procedure: Procedure;
  steps: SheetStep[];
  instrument: string;
  house: string;
  day: string;
}

function sheetDefinition({ name, procedure, steps, instrument, house, day }: Sheet): TDocumentDefinitions {
  const printed = say({ code: 'blank.printed', numbers: { id: procedure.id, version: procedure.version, day } });
  return {
    pageSize: 'A4',
    pageMargins: [42, 40, 42, 44],
    info: { title: say({ code: 'blank.title', numbers: { model: name } }), author: house },
    defaultStyle: { font: 'Sans', fontSize: 8.5, lineHeight: 1.05 },
    footer: (page, pages): Content => ({
      margin: [42, 10, 42, 0],
      fontSize: 7.5,
      color: QUIET,
      columns: [{ text: `${house} · ${printed}` }, { text: `${page} / ${pages}`, width: 'auto' }],
    }),
    content: [
      { text: say({ code: 'blank.title', numbers: { model: name } }), fontSize: 15, bold: true },
      { text: procedure.title, color: QUIET, margin: [0, 0, 0, 4] },
      { text: say({ code: 'blank.use' }), margin: [0, 0, 0, 2] },
      { text: say({ code: 'blank.stop' }), bold: true, margin: [0, 0, 0, 2] },
      { text: say({ code: 'blank.foundOnly' }), margin: [0, 0, 0, 4] },
      ...(procedure.cautions.length
        ? [
            {
              text: `${say({ code: 'blank.cautions' })}: ${procedure.cautions.join(' ')}`,
              margin: [0, 0, 0, 6] as [number, number, number, number],
            },
          ]
        : []),
      blanks([
        { label: say({ code: 'blank.instrument' }), ...(instrument ? { unit: instrument } : {}) },
        { label: say({ code: 'blank.ticket' }) },
        { label: say({ code: 'blank.who' }) },
      ]),
      ...steps.map((step, index) => stepContent(step, index + 1, steps[index - 1]?.under ?? [])),
    ],
  };
}

/** A step never breaks over two pages: its figures stand below its title. */
function stepContent(
  { under, title, note, caution, maybe, blanks: lines }: SheetStep,
  number: number,
  before: string[],
): Content {
  const opens = under.filter((one, at) => before[at] !== one);
  return {
    unbreakable: true,
    stack: [
      ...opens.map((text) => ({ text, bold: true, color: '#1d4a3f', margin: [0, 6, 0, 1] as [number, number, number, number] })),
      {
        margin: [0, 5, 0, 1],
        text: [
          { text: `${number}  ${title}`, bold: true },
          ...(maybe ? [{ text: `  (${say({ code: 'blank.maybe' })})`, color: QUIET }] : []),
          ...(note ? [{ text: `  ${note}`, color: QUIET }] : []),
          ...(caution ? [{ text: `  ${caution}` }] : []),
        ],
      },
      ...(lines.length ? [blanks(lines)] : []),
    ],
  };
}

/** Two blanks a row, each on a line to write on. */
function blanks(lines: readonly Blank[]): Content {
  const rows: TableCell[][] = [];
  for (let at = 0; at < lines.length; at += 2)
    rows.push([...cells(lines[at]!), ...(lines[at + 1] ? cells(lines[at + 1]!) : ['', ''])]);
  return {
    table: { widths: ['auto', '*', 'auto', '*'], body: rows },
    layout: {
      hLineWidth: (at) => (at === 0 ? 0 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => LINE,
      paddingTop: () => 5,
      paddingBottom: () => 1,
    },
  };
}

const cells = ({ label, unit, boxes }: Blank): TableCell[] => [
  { text: label },
  boxes
    ? {
        // Drawn, since the fonts have no empty box.
        columns: boxes.map((box) => ({
          width: 'auto',
          columns: [
            { width: 12, canvas: [{ type: 'rect', x: 0, y: 0, w: 8, h: 8, lineWidth: 0.7 }] },
            { width: 'auto', text: box },
          ],
        })),
        columnGap: 8,
      }
    : { text: unit ?? '', color: QUIET, alignment: 'right' },
];
