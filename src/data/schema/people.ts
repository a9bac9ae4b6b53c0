import { bigint, boolean, jsonb, pgTable, smallint, integer, text, primaryKey } from 'drizzle-orm/pg-core';
import type { Role } from '@/core/record/event';
import { instant } from './columns';

export const user = pgTable('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  role: text('role').$type<Role>().notNull().default('technician'),
  active: boolean('active').notNull().default(true),
  twoFactorEnabled: boolean('two_factor_enabled').notNull().default(false),
  /** Set while the password is one that somebody else gave: good once, until then. */
  passwordOnceUntil: instant('password_once_until'),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

export const session = pgTable('session', {
  id: text('id').primaryKey(),
  expiresAt: instant('expires_at').notNull(),
  token: text('token').notNull().unique(),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
  ipAddress: text('ip_address'),
  userAgent: text('user_agent'),
  userId: text('user_id')
    .notNull()
    .references(() => user.id),
  /** When all that is asked at the door was last asked. */
  signedInAt: instant('signed_in_at').notNull().defaultNow(),
  /** When a hand was last at this computer. */
  seenAt: instant('seen_at').notNull().defaultNow(),
  lockedAt: instant('locked_at'),
});

export const twoFactor = pgTable('two_factor', {
  id: text('id').primaryKey(),
  secret: text('secret').notNull(),
  backupCodes: text('backup_codes').notNull(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id),
  verified: boolean('verified').notNull().default(true),
  failedVerificationCount: integer('failed_verification_count').notNull().default(0),
  lockedUntil: instant('locked_until'),
});

export const passkey = pgTable('passkey', {
  /** The credential's id, base64url. */
  id: text('id').primaryKey(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id),
  name: text('name').notNull(),
  publicKey: text('public_key').notNull(),
  counter: bigint('counter', { mode: 'number' }).notNull(),
  transports: text('transports').array().notNull().default([]),
  madeAt: instant('made_at').notNull(),
  usedAt: instant('used_at'),
});

/** What unlocks a bench computer for somebody: a PIN they know, a badge they carry. */
export const unlockSecret = pgTable('unlock_secret', {
  userId: text('user_id')
    .primaryKey()
    .references(() => user.id),
  pinHash: text('pin_hash'),
  badgeDigest: text('badge_digest').unique(),
  madeAt: instant('made_at').notNull(),
});

export const computerPerson = pgTable(
  'computer_person',
  { computer: text('computer').notNull(), userId: text('user_id').notNull(), until: instant('until').notNull() },
  (table) => [primaryKey({ columns: [table.computer, table.userId] })],
);

export const spentCode = pgTable(
  'spent_code',
  { userId: text('user_id').notNull(), digest: text('digest').notNull(), at: instant('at').notNull() },
  (table) => [primaryKey({ columns: [table.userId, table.digest] })],
);

export const account = pgTable('account', {
  id: text('id').primaryKey(),
  accountId: text('account_id').notNull(),
  providerId: text('provider_id').notNull(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: instant('access_token_expires_at'),
  refreshTokenExpiresAt: instant('refresh_token_expires_at'),
  scope: text('scope'),
  password: text('password'),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: instant('expires_at').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

/** A link to a new password, sent by mail. */
export const passwordLink = pgTable('password_link', {
  digest: text('digest').primaryKey(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id),
  madeAt: instant('made_at').notNull(),
  until: instant('until').notNull(),
  usedAt: instant('used_at'),
});

export const signInFailure = pgTable('sign_in_failure', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  email: text('email').notNull(),
  /** '' for anywhere, else a browser in which this person signed in before. */
  device: text('device').notNull().default(''),
  /** The network that it came from. */
  network: text('network').notNull().default(''),
  at: instant('at').notNull(),
});

export const setting = pgTable('setting', { key: text('key').primaryKey(), value: jsonb('value').notNull() });

export const numberCounter = pgTable(
  'number_counter',
  { kind: text('kind').notNull(), year: smallint('year').notNull(), last: integer('last').notNull() },
  (table) => [primaryKey({ columns: [table.kind, table.year] })],
);
