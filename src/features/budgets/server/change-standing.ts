import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { MEASURANDS } from '@/core/measurand';
import { isMeasurand, type MeasurandId } from '@/core/quantity/unit';
import type { StandingSource } from '@/core/uncertainty/standing';
import { repeatStudy as pooled } from '@/core/uncertainty/repeat-study';
import { repeatStudy, standingValue } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { parseSeries, type StandingChange, type StudyInput } from '../schemas';
import { standingNow, standingRows } from './standing-values';

const named = (one: { standing: string; measurand: string; procedure?: string | null; point?: string | null }) =>
  [one.measurand, one.standing, one.procedure, one.point].filter(Boolean).join(', ');

function knownMeasurand(id: string): MeasurandId {
  if (!isMeasurand(id)) throw new Problem('There is no such quantity.', { measurand: 'Choose one of the list.' });
  return id;
}

/** Sets a standing value with its source and date: a new row, the old one stays readable. Runs that were begun keep theirs. */
export async function setStanding(context: UseCaseContext, given: StandingChange): Promise<void> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const measurand = knownMeasurand(given.measurand);
  const source: StandingSource =
    given.sourceKind === 'practice'
      ? { kind: 'practice' }
      : { kind: 'confirmed', text: given.sourceText, on: given.sourceOn, by: actor.name };
  const from = await standingNow(tx, { ...given, measurand });
  await insertStanding(context, { ...given, source });
  await recordAudit({ tx, actor, now }, 'standingValueSet', named(given), {
    from,
    to: { value: given.value, form: given.form, source },
  });
}

async function insertStanding(
  { tx, actor, now }: UseCaseContext,
  {
    standing,
    measurand,
    procedure,
    point,
    value,
    form,
    unit,
    source,
  }: Omit<StandingChange, 'sourceKind' | 'sourceText' | 'sourceOn'> & {
    source: StandingSource;
  },
): Promise<void> {
  await tx.insert(standingValue).values({
    standing,
    measurand,
    procedure: procedure || null,
    point: point || null,
    value: String(value),
    form,
    unit: unit || null,
    source,
    at: now,
    by: actor.name,
  });
}

/** A signatory gives everything that is only remembered one source and date at once: the same paper often covers them all. */
export async function confirmRemembered(
  context: UseCaseContext,
  { sourceText, sourceOn }: { sourceText: string; sourceOn: string },
): Promise<{ confirmed: number }> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const set = new Set((await standingRows(tx)).filter((row) => !row.procedure).map((row) => `${row.measurand}/${row.standing}`));
  const source: StandingSource = { kind: 'confirmed', text: sourceText, on: sourceOn, by: actor.name };
  const remembered = Object.entries(MEASURANDS).flatMap(([measurand, module]) =>
    Object.entries(module.standing).flatMap(([standing, value]) =>
      value.source.kind === 'memory' && !set.has(`${measurand}/${standing}`) ? [{ measurand, standing, value }] : [],
    ),
  );
  for (const { measurand, standing, value } of remembered)
    await insertStanding(context, {
      standing: standing as StandingChange['standing'],
      measurand,
      procedure: '',
      point: '',
      value: value.value,
      form: value.form,
      unit: value.unit ?? '',
      source,
    });
  await recordAudit({ tx, actor, now }, 'standingValuesConfirmed', `${remembered.length} values`, { source });
  return { confirmed: remembered.length };
}

/** A repeat study: kept as it was taken; what it pools feeds the repeatability of that point. */
export async function recordStudy(context: UseCaseContext, given: StudyInput): Promise<{ id: string }> {
  need(context.actor, 'bench');
  const { tx, actor, now } = context;
  const measurand = knownMeasurand(given.measurand);
  const series = parseSeries(given.readings);
  const { s, dof, n } = pooled({ series: series.map((one) => one.map(Number)) });
  if (s === 0)
    throw new Problem('All readings are alike.', {
      readings: 'All readings are alike: the display’s resolution is coarser than the repeatability, there is nothing to pool.',
    });
  const from = await standingNow(tx, { standing: 'repeatability', ...given, measurand });
  const id = randomUUID();
  await tx.insert(repeatStudy).values({
    id,
    procedure: given.procedure,
    point: given.point,
    measurand: given.measurand,
    unit: given.unit,
    instrument: given.instrument,
    series,
    pooledS: s.toPrecision(6),
    dof,
    n,
    studiedOn: given.studiedOn,
    note: given.note,
    at: now,
    by: actor.name,
  });
  await insertStanding(context, {
    standing: 'repeatability',
    measurand: given.measurand,
    procedure: given.procedure,
    point: given.point,
    value: Number(s.toPrecision(6)),
    form: 'absolute',
    unit: given.unit,
    source: {
      kind: 'study',
      text: `repeat study of ${given.studiedOn}, ${given.instrument}`,
      on: given.studiedOn,
      by: actor.name,
      n,
      dof,
    },
  });
  await recordAudit({ tx, actor, now }, 'repeatStudyRecorded', named({ standing: 'repeatability', ...given }), {
    from,
    to: { id, s, dof, n },
  });
  return { id };
}

/** A study found wrong is withdrawn with its reason; the value that it fed ends with it, unless another has taken its place meanwhile. */
export async function withdrawStudy(context: UseCaseContext, { id, reason }: { id: string; reason: string }): Promise<void> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const [study] = await tx.select().from(repeatStudy).where(eq(repeatStudy.id, id));
  if (!study) throw new Problem('This study does not exist.', {}, 404);
  if (study.withdrawn) throw new Problem('This study is withdrawn already.', {}, 409);
  await tx.update(repeatStudy).set({ withdrawn: reason }).where(eq(repeatStudy.id, id));
  const { procedure, point, measurand } = study;
  const counts = (await standingRows(tx)).find(
    (row) =>
      row.standing === 'repeatability' && row.measurand === measurand && row.procedure === procedure && row.point === point,
  );
  // The row and its study were written at one instant: a later one is somebody's later word.
  const ended = counts?.at.getTime() === study.at.getTime();
  if (ended)
    await tx.insert(standingValue).values({
      standing: 'repeatability',
      measurand,
      procedure,
      point,
      value: study.pooledS,
      form: 'absolute',
      unit: study.unit,
      source: counts.source,
      ended: true,
      at: now,
      by: actor.name,
    });
  await recordAudit({ tx, actor, now }, 'repeatStudyWithdrawn', named({ standing: 'repeatability', ...study }), {
    id,
    reason,
    ended: ended ? study.pooledS : null,
  });
}
