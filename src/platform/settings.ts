import { eq } from 'drizzle-orm';
import type { DayOrder } from '@/core/quantity/read-day';
import type { LabelPaper } from '@/core/paper/label-paper';
import { USUAL_PATTERNS, type NumberPatterns } from '@/core/paper/number-pattern';
import type { Role } from '@/core/record/event';
import type { Transaction, Database } from '@/data/connection';
import { setting } from '@/data/schema';

export interface WorkshopSettings {
  name: string;
  address: string;
  place: string;
  /** How the laboratory is reached: stands on every document. */
  contact: string;
  zone: string;
  mailFrom: string;
  /** Where answers to mails go; empty: to the sender. */
  replyTo: string;
  places: number;
  /** A second place of work: its name as documents state it, and the first bench place there (0: there is none). */
  secondPlace: string;
  secondFrom: number;
  samePersonApproves: boolean;
  /** Who isn't authorised for a procedure works watched: nothing of theirs is approved that nobody watched. */
  worksWatched: boolean;
  /** Whether whoever gives out roles may also put their name to documents. */
  administratorSigns: boolean;
  /** Who of these signs in without a second factor sets one up before anything else. */
  secondFactorRoles: Role[];
  /** After so many minutes without a hand the screen locks; 0: never. */
  lockAfterMinutes: number;
  /** Reminders go out without anybody's press, from this hour of the workshop's day on. */
  remindByItself: boolean;
  remindHour: number;
  /** What a week holds, in instruments and hours of work; 0: no ceiling. */
  weekInstruments: number;
  weekHours: number;
  /** Share of instruments that is to be found within at their next visit: what intervals are advised for, per cent. */
  foundWithinPercent: number;
  remindAheadDays: number;
  remindAfterDays: number;
  /** What 3/4/2026 means where somebody types it. */
  dayOrder: DayOrder;
  /** In which prices are stated. */
  currency: string;
  /** What labels are printed on unless somebody chooses otherwise. */
  labelPaper: LabelPaper;
  /** How receipts, tickets and documents are numbered. */
  numbers: NumberPatterns;
  /** Hash of the sign on its papers. */
  logo: string | null;
  /** Annexes that every document gets unless its signatory says otherwise. */
  annexBudgets: boolean;
  annexTraces: boolean;
  /** Documents go to their customers when they are approved. */
  mailCertificates: boolean;
}

export const DEFAULT_SETTINGS: WorkshopSettings = {
  name: 'Workshop',
  address: '',
  place: '',
  contact: '',
  zone: 'UTC',
  mailFrom: 'workshop@localhost',
  replyTo: '',
  places: 6,
  secondPlace: '',
  secondFrom: 0,
  samePersonApproves: false,
  worksWatched: false,
  administratorSigns: true,
  secondFactorRoles: [],
  lockAfterMinutes: 15,
  remindByItself: true,
  remindHour: 7,
  weekInstruments: 0,
  weekHours: 0,
  foundWithinPercent: 90,
  remindAheadDays: 21,
  remindAfterDays: 14,
  currency: 'EUR',
  dayOrder: 'dayFirst',
  labelPaper: '62x29',
  numbers: USUAL_PATTERNS,
  logo: null,
  annexBudgets: false,
  annexTraces: false,
  mailCertificates: true,
};

/** As it is on record; what a later version added, as it usually is. */
export async function readSettings(db: Transaction | Database): Promise<WorkshopSettings> {
  const [row] = await db.select().from(setting).where(eq(setting.key, 'workshop'));
  const kept = row?.value as Partial<WorkshopSettings> | undefined;
  // A series that a later version added is numbered as it usually is.
  return { ...DEFAULT_SETTINGS, ...kept, numbers: { ...USUAL_PATTERNS, ...kept?.numbers } };
}

export async function writeSettings(db: Transaction, settings: WorkshopSettings): Promise<void> {
  await db
    .insert(setting)
    .values({ key: 'workshop', value: settings })
    .onConflictDoUpdate({ target: setting.key, set: { value: settings } });
  forgetDoorRules();
}

/** What the door asks of everybody is looked up once in a while, not with every press: a change holds everywhere after as long. */
const DOOR_RULES_MS = 1000;
type DoorRules = Pick<WorkshopSettings, 'secondFactorRoles' | 'lockAfterMinutes' | 'dayOrder' | 'zone'>;
let rules: { at: number; kept: Promise<DoorRules> } | null = null;
export function doorRules(db: Database): Promise<DoorRules> {
  if (!rules || Date.now() - rules.at > DOOR_RULES_MS) rules = { at: Date.now(), kept: readSettings(db) };
  rules.kept.catch(() => (rules = null));
  return rules.kept;
}
/** Whoever changes them here sees them hold at once. */
export const forgetDoorRules = (): void => void (rules = null);
