import { doublePrecision, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import type { ElectrodeSegment } from '@/core/ph/fit-electrode';
import type { ProbeKind, ProbePoint } from '@/core/probe/probe-result';
import type { VerdictState } from '@/core/record/judgement';
import { instant } from './columns';
import { asset } from './instruments';
import { run } from './work';

export const probeCalibration = pgTable(
  'probe_calibration',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    channel: text('channel').notNull(),
    assetId: uuid('asset_id')
      .notNull()
      .references(() => asset.id),
    label: text('label').notNull(),
    kind: text('kind').$type<ProbeKind>().notNull(),
    unit: text('unit').notNull(),
    at: instant('at').notNull(),
    slopePercent: doublePrecision('slope_percent'),
    offsetMv: doublePrecision('offset_mv'),
    cellConstant: doublePrecision('cell_constant'),
    mvPerDecade: doublePrecision('mv_per_decade'),
    responseSeconds: doublePrecision('response_seconds'),
    points: jsonb('points').$type<ProbePoint[]>().notNull(),
    segments: jsonb('segments').$type<ElectrodeSegment[]>().notNull(),
    care: jsonb('care').$type<string[]>().notNull(),
    asLeft: text('as_left').$type<VerdictState>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.channel] })],
);

export const probePlace = pgTable('probe_place', {
  id: uuid('id').primaryKey().defaultRandom(),
  probeId: uuid('probe_id')
    .notNull()
    .references(() => asset.id),
  hostId: uuid('host_id').references(() => asset.id),
  place: text('place').notNull().default(''),
  fromAt: instant('from_at').notNull(),
  untilAt: instant('until_at'),
  by: text('by').notNull(),
  note: text('note').notNull().default(''),
});
