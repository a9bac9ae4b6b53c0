import { and, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { Judged } from '@/core/results/judged';
import { results } from '@/core/results/results';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, instrumentModel, keptFile, reference, runEvent } from '@/data/schema';
import { loadRun } from '@/features/bench/server';

/** A value with all it rests on, back to who issued the certificate of its reference, and forward to the entry that holds it. */
export interface TracedValue {
  label: string;
  point: string;
  side: 'found' | 'left';
  judged: Judged;
  unit: string;
  reference: {
    id: string;
    name: string;
    lot: string;
    certificate: string;
    issuer: string;
    maker: string;
    files: { id: string; name: string }[];
  } | null;
  by: string;
  step: string;
  seq: number;
  hash: string;
  /** Seconds of the window of the live line that it was taken off; null where it was typed. */
  seconds: number | null;
}

/** Every value of a run with what it rests on. Null where there is no such run. */
export async function traceBack(tx: Transaction, runId: string) {
  const loaded = await loadRun(tx, runId);
  if (!loaded?.state.started) return null;
  const { procedure, state, row, lastHash } = loaded;
  const lines = results({ procedure, state });
  const hashes = new Map(
    (await tx.select({ seq: runEvent.seq, hash: runEvent.hash }).from(runEvent).where(eq(runEvent.runId, runId))).map((one) => [
      one.seq,
      one.hash,
    ]),
  );
  const ids = [...new Set(state.bindings.map((one) => one.reference.id))].filter((id) => /^[0-9a-f-]{36}$/.test(id));
  const makers = new Map(
    ids.length
      ? (await tx.select({ id: reference.id, maker: reference.maker }).from(reference).where(inArray(reference.id, ids))).map(
          (one) => [one.id, one.maker] as const,
        )
      : [],
  );
  const files = ids.length
    ? await tx
        .select({ id: keptFile.id, name: keptFile.name, about: keptFile.aboutId })
        .from(keptFile)
        .where(and(eq(keptFile.about, 'reference'), inArray(keptFile.aboutId, ids), isNull(keptFile.takenAwayAt)))
    : [];
  const values = lines.flatMap((line) =>
    (['found', 'left'] as const).flatMap((side): TracedValue[] => {
      const judged = line[side];
      if (!judged || (side === 'left' && line.leftIsFound)) return [];
      const reading = state.readings.find((one) => one.seq === judged.seq)!;
      const bound = state.bindings.find((one) => one.seq === judged.binding)?.reference;
      return [
        {
          label: line.label,
          point: line.pointLabel,
          side,
          judged,
          unit: line.unit,
          reference: bound
            ? {
                id: bound.id,
                name: bound.name,
                lot: bound.lot,
                certificate: bound.certificate ?? '',
                issuer: bound.issuer ?? '',
                maker: makers.get(bound.id) ?? '',
                files: files.filter((one) => one.about === bound.id).map(({ id, name }) => ({ id, name })),
              }
            : null,
          by: reading.by,
          step: reading.step,
          seq: judged.seq,
          hash: hashes.get(judged.seq) ?? '',
          seconds: reading.capture?.windowSeconds ?? null,
        },
      ];
    }),
  );
  const [about] = await tx
    .select({ serial: asset.serial, maker: asset.maker, model: instrumentModel.name, assetId: asset.id, customer: customer.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .innerJoin(customer, eq(customer.id, row.customerId))
    .where(eq(asset.id, row.assetId));
  const [document] = await tx
    .select({ id: certificate.id, number: certificate.number, revision: certificate.revision })
    .from(certificate)
    .where(and(eq(certificate.runId, runId), isNull(certificate.withdraws)))
    .orderBy(desc(certificate.revision))
    .limit(1);
  return {
    about: about!,
    document: document ?? null,
    procedure: { id: procedure.id, version: procedure.version, title: procedure.title },
    values,
    events: state.seq,
    lastHash,
  };
}
export type TracedBack = NonNullable<Awaited<ReturnType<typeof traceBack>>>;
