import { and, desc, eq, isNull } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import { corrections, differences, type Correction, type Difference } from '@/core/procedure/differences';
import type { Procedure } from '@/core/procedure/procedure';
import { validateProcedure } from '@/core/procedure/validate-procedure';
import type { KeptWalk } from '@/core/stored/walked';
import type { Transaction } from '@/data/connection';
import { ownProcedure, ownProcedureVersion, procedureRecall } from '@/data/schema';
import { shippedProcedure } from '@/procedures';

export interface VersionLine {
  version: number;
  note: string;
  tried: string;
  result: string;
  validatedOn: string;
  validatedBy: string;
  ways: number;
  releasedBy: string;
  releasedAt: Date;
}

/** What the page of one procedure shows beside its steps: draft, versions, recall, and what was corrected in what it was copied from. */
export interface OwnPage {
  own: { id: string; title: string; rowVersion: number; retiredWhy: string | null; basedOn: string | null } | null;
  draft: Procedure | null;
  faults: string[];
  walk: (KeptWalk & { current: boolean }) | null;
  versions: VersionLine[];
  /** Between the draft and the last release, or what was copied. */
  differs: Difference[];
  corrected: Correction[];
  recall: { why: string; by: string; version: number } | null;
}

/** Null where nothing of one's own and no recall is known of it: a shipped procedure as it ships. */
export async function ownProcedurePage(tx: Transaction, id: string): Promise<OwnPage> {
  const [row] = await tx.select().from(ownProcedure).where(eq(ownProcedure.id, id));
  const released = row
    ? await tx
        .select()
        .from(ownProcedureVersion)
        .where(eq(ownProcedureVersion.procedureId, id))
        .orderBy(desc(ownProcedureVersion.version))
    : [];
  const version = released[0]?.version ?? shippedProcedure(id)?.version ?? 0;
  const [recall] = await tx
    .select({ why: procedureRecall.why, by: procedureRecall.recalledBy, version: procedureRecall.version })
    .from(procedureRecall)
    .where(and(eq(procedureRecall.procedureId, id), eq(procedureRecall.version, version), isNull(procedureRecall.liftedAt)));
  const draft = row?.draft ?? null;
  const mine = draft ?? released[0]?.document ?? null;
  const theirs = row?.basedOn ? shippedProcedure(row.basedOn) : undefined;
  const before = released[0]?.document ?? row?.basedDocument ?? null;
  return {
    own: row
      ? {
          id,
          title: row.title,
          rowVersion: row.rowVersion,
          retiredWhy: row.retiredAt ? row.retiredWhy : null,
          basedOn: row.basedOn,
        }
      : null,
    draft,
    faults: draft ? validateProcedure(draft) : [],
    walk: row?.walk && draft ? { ...row.walk, current: row.walk.hash === contentHash(draft) } : null,
    versions: released.map(({ document: _document, hash: _hash, procedureId: _id, ...line }) => line),
    differs: draft && before ? differences(before, draft) : [],
    corrected: row?.basedDocument && theirs && mine ? corrections({ base: row.basedDocument, theirs, mine }) : [],
    recall: recall ?? null,
  };
}
