import { date, integer, numeric, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { ExerciseKind } from '@/core/practice/exercise';
import type { CompetenceBasis } from '@/core/stored/competence';
import { readDebrief, readFindings, readHidden, readOwnExercise } from '@/core/stored/practice';
import { checked, instant } from './columns';
import { user } from './people';
import { run } from './work';

/** An exercise made of a run that was worked here, without whose it was. */
export const practiceExercise = pgTable('practice_exercise', {
  id: uuid('id').primaryKey().defaultRandom(),
  title: text('title').notNull(),
  procedureId: text('procedure_id').notNull(),
  procedureVersion: integer('procedure_version').notNull(),
  content: checked('content', readOwnExercise).notNull(),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
  endedWhy: text('ended_why'),
});

/** One exercise that somebody worked, with what it was worth and why. Never changed. */
export const practiceAttempt = pgTable('practice_attempt', {
  id: uuid('id').primaryKey().defaultRandom(),
  person: text('person')
    .notNull()
    .references(() => user.id),
  kind: text('kind').$type<ExerciseKind>().notNull(),
  version: integer('version').notNull(),
  seed: integer('seed').notNull(),
  exerciseId: uuid('exercise_id').references(() => practiceExercise.id),
  procedureId: text('procedure_id').notNull(),
  procedureVersion: integer('procedure_version').notNull(),
  title: text('title').notNull(),
  beganAt: instant('began_at').notNull(),
  endedAt: instant('ended_at').notNull(),
  /** Null where it was left in the middle. */
  points: integer('points'),
  seconds: numeric('seconds').notNull(),
  masterSeconds: numeric('master_seconds').notNull(),
  litres: numeric('litres').notNull(),
  masterLitres: numeric('master_litres').notNull(),
  findings: checked('findings', readFindings).notNull(),
  debrief: checked('debrief', readDebrief).notNull(),
  hidden: checked('hidden', readHidden).notNull(),
});

/** A run of somebody who isn't authorised for it, and who watched it. */
export const runWatched = pgTable('run_watched', {
  runId: uuid('run_id')
    .primaryKey()
    .references(() => run.id),
  watcher: text('watcher')
    .notNull()
    .references(() => user.id),
  watcherName: text('watcher_name').notNull(),
  note: text('note').notNull().default(''),
  at: instant('at').notNull(),
});

/** Who is authorised for which procedure, on what grounds, until when (ISO/IEC 17025:2017, 6.2.5 and 6.2.6). */
export const competence = pgTable('competence', {
  id: uuid('id').primaryKey().defaultRandom(),
  person: text('person')
    .notNull()
    .references(() => user.id),
  procedureId: text('procedure_id').notNull(),
  basis: text('basis').$type<CompetenceBasis>().notNull(),
  why: text('why').notNull(),
  givenOn: date('given_on').notNull(),
  endsOn: date('ends_on').notNull(),
  givenAt: instant('given_at').notNull(),
  givenBy: text('given_by').notNull(),
  endedAt: instant('ended_at'),
  endedOn: date('ended_on'),
  endedBy: text('ended_by'),
  endedWhy: text('ended_why'),
});
