import type { MailState } from '@/core/stored/mail-state';
import { bigint, boolean, date, integer, jsonb, pgTable, smallint, text, uuid } from 'drizzle-orm/pg-core';
import type { CertificateContent, DocumentKind } from '@/core/certificate';
import type { ReminderStage } from '@/core/interval/reminder-stage';
import { bytea, instant } from './columns';
import { asset, customer } from './instruments';
import { run, ticket } from './work';

export const signingKey = pgTable('signing_key', {
  id: text('id').primaryKey(),
  publicKey: text('public_key').notNull(),
  createdAt: instant('created_at').notNull(),
});

export const certificate = pgTable('certificate', {
  id: uuid('id').primaryKey(),
  number: text('number').notNull(),
  year: smallint('year').notNull(),
  serial: integer('serial').notNull(),
  revision: smallint('revision').notNull().default(0),
  kind: text('kind').$type<DocumentKind | 'certificate' | 'record'>().notNull(),
  runId: uuid('run_id')
    .notNull()
    .references(() => run.id),
  ticketId: uuid('ticket_id').references(() => ticket.id),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  content: jsonb('content').$type<CertificateContent>().notNull(),
  hash: text('hash').notNull(),
  signature: text('signature').notNull(),
  keyId: text('key_id')
    .notNull()
    .references(() => signingKey.id),
  token: text('token').notNull(),
  issuedAt: instant('issued_at').notNull(),
  issuedBy: text('issued_by').notNull(),
  /** What the signature meant, and how the person said who they are. */
  signed: jsonb('signed').$type<{
    by: string;
    at: string;
    act: 'approve' | 'revise' | 'withdraw';
    meaning: string;
    how: 'password';
  }>(),
  replaces: uuid('replaces'),
  /** Place in the order of all documents: each carries the hash of the one before. */
  issueNo: bigint('issue_no', { mode: 'number' }).notNull(),
  series: text('series').notNull().default('C'),
  withdraws: uuid('withdraws'),
});

export const certificatePdf = pgTable('certificate_pdf', {
  certificateId: uuid('certificate_id')
    .primaryKey()
    .references(() => certificate.id),
  bytes: bytea('bytes').notNull(),
  hash: text('hash').notNull(),
  drawnAt: instant('drawn_at').notNull(),
});

export const mail = pgTable('mail', {
  id: uuid('id').primaryKey(),
  customerId: uuid('customer_id').references(() => customer.id),
  recipient: text('recipient').notNull(),
  subject: text('subject').notNull(),
  body: text('body').notNull(),
  messageId: text('message_id').notNull(),
  state: text('state').$type<MailState>().notNull().default('queued'),
  problem: text('problem'),
  createdAt: instant('created_at').notNull(),
  sendingAt: instant('sending_at'),
  sentAt: instant('sent_at'),
  attempts: integer('attempts').notNull().default(0),
  nextTryAt: instant('next_try_at'),
  /** Goes along as a PDF. */
  attachedCertificate: uuid('attached_certificate'),
  /** The customer's word by which no more such mails come. */
  unsubscribe: text('unsubscribe'),
});

/** A sheet that somebody waits for; null bytes where there is none of that model. */
export const drawnSheet = pgTable('drawn_sheet', {
  id: uuid('id').primaryKey(),
  name: text('name'),
  bytes: bytea('bytes'),
  drawnAt: instant('drawn_at').notNull(),
});

export type HouseCheckKind = 'verify' | 'anchor' | 'backup' | 'restore' | 'disk' | 'reminders' | 'lots' | 'advice' | 'returns';

/** What the house found of itself. */
export const houseCheck = pgTable('house_check', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  kind: text('kind').$type<HouseCheckKind>().notNull(),
  at: instant('at').notNull(),
  tookMs: integer('took_ms').notNull(),
  ok: boolean('ok').notNull(),
  detail: jsonb('detail').$type<Record<string, unknown>>().notNull(),
});

export const reminder = pgTable('reminder', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  dueOn: date('due_on').notNull(),
  stage: text('stage').$type<ReminderStage | 'bump'>().notNull(),
  mailId: uuid('mail_id')
    .notNull()
    .references(() => mail.id),
});

export const audit = pgTable('audit', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  at: instant('at').notNull(),
  actor: jsonb('actor').$type<{ id: string; name: string; role: string }>().notNull(),
  action: text('action').notNull(),
  subject: text('subject').notNull().default(''),
  detail: jsonb('detail').$type<Record<string, unknown>>().notNull().default({}),
  previousHash: text('previous_hash').notNull(),
  hash: text('hash').notNull(),
});

/** Every change of what is no chain itself, written by the database. */
export const changeLog = pgTable('change_log', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  at: instant('at').notNull(),
  actor: jsonb('actor').$type<{ id: string; name: string; role: string }>().notNull(),
  door: text('door').notNull(),
  tableName: text('table_name').notNull(),
  rowKey: text('row_key').notNull(),
  kind: text('kind').$type<'there' | 'made' | 'changed' | 'taken'>().notNull(),
  before: jsonb('before').$type<Record<string, unknown>>(),
  after: jsonb('after').$type<Record<string, unknown>>(),
  digest: text('digest').notNull(),
  hash: text('hash').notNull(),
});

/** Keys under which what the change log keeps of a person stands. Destroying one blanks the person. */
export const personKey = pgTable('person_key', {
  id: uuid('id').primaryKey().defaultRandom(),
  about: text('about').$type<'customer' | 'customer_contact'>().notNull(),
  rowId: text('row_id').notNull(),
  customerId: uuid('customer_id').notNull(),
  secret: text('secret').notNull(),
  madeAt: instant('made_at').notNull(),
});

/** Which tables the change log follows, how, and by which key. */
export const changeKept = pgTable('change_kept', {
  tableName: text('table_name').primaryKey(),
  manner: text('manner').$type<'whole' | 'digest'>().notNull(),
  keyColumns: text('key_columns').array().notNull(),
  shape: text('shape').notNull().default(''),
});
