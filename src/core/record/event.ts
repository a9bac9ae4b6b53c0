import type { ChannelStatus } from '../instrument/channel-status';
import type { SettingKind } from '../instrument/setting';
import type { ServiceId } from '../instrument/service';
import type { Traits } from '../instrument/traits';
import type { RoomQuantity } from '../procedure/room-quantity';
import type { MeasurandId } from '../quantity/unit';
import type { ScopeEntry } from '../uncertainty/scope';
import type { StandingValue } from '../uncertainty/standing';
import type { DecisionRule } from '../uncertainty/decide';
import type { Reading } from '../quantity/reading';
import type { Follow } from '../procedure/follow';
import type { AdjustAction, CareMaterial } from '../procedure/procedure';
import type { Phase } from '../procedure/phase';
import type { Output } from '../instrument/output';
import type { QuestionId } from '../procedure/question';
import type { Judgement } from './judgement';
import type { Tolerance } from './tolerance';
import type { ReferenceSnapshot } from './reference-snapshot';
import type { Fact } from '../words/say';
import type { BumpChannel, Capture, TraceKept } from './evidence';

export const ROLES = ['counter', 'technician', 'signatory', 'administrator', 'auditor'] as const;
export type Role = (typeof ROLES)[number];
export interface Actor {
  id: string;
  name: string;
  role: Role;
}

/** A bottle or part of the shelf that went into a care action. */
export interface CareUsed {
  id: string;
  role: CareMaterial;
  name: string;
  lot: string;
  expires?: string;
}

/** One measuring channel as it stood when the run was started: facts copied in, so that a replay needs no table. */
export interface RunChannel {
  id: string;
  role: string;
  item: string;
  label: string;
  measurand: MeasurandId;
  unit: string;
  resolution: string;
  lowest: string;
  highest: string;
  tolerance: Tolerance;
  /** Agreed with the customer on that day, instead of the maker's (ISO/IEC 17025:2017, 7.1.3). */
  toleranceAgreed?: { on: string; with: string };
  calibrationGas?: string;
  sensorSerial?: string;
  principle?: string;
  cleanAir?: string;
  /** Combustible scale: LEL of the calibration gas in %vol and relative response. */
  scale?: { lelVolPercent: string; relativeResponse: string; source: string };
  /** How a water channel computes what it shows. */
  water?: WaterTerms;
  /** How its sensor answers to temperature and pressure, in % of the reading, where the model states it. */
  coefficients?: { temperaturePercentPerC?: string; pressurePercentPerHPa?: string };
  /** Alarm points as agreed, in the channel's unit. */
  alarms?: { low?: string; high?: string };
  status: ChannelStatus;
}

export interface WaterTerms {
  /** Conductivity referred to a temperature; left out: as it is at the measured one. */
  compensation?: { referenceC: string; percentPerC?: string };
  /** Dissolved solids by a factor, or by the mixed-salt curve. */
  solids?: { factor: string } | { curve: 'mixedSalt' };
  /** What 100 % of oxygen is: at the pressure of the place, or at 1 atm. */
  saturation?: 'local' | 'oneAtm';
  /** Reference electrode that an ORP or ion-selective value is stated against. */
  referenceElectrode?: string;
  /** Charge of the ion, for the slope per decade. */
  charge?: string;
}

export interface RunItem {
  id: string;
  part: 'body' | 'probe' | 'module' | 'cell';
  assetId: string;
  model: string;
  serial: string;
  traits: Traits;
}

export interface StartedData {
  procedure: { id: string; version: number };
  origin: 'guided' | 'imported';
  /** What the customer ordered. */
  service: ServiceId;
  items: RunItem[];
  channels: RunChannel[];
  rule: DecisionRule;
  coverage: number;
  placedAt?: string;
  /** Where it was done, where the workshop has a second place of work (ISO/IEC 17025:2017, 7.8.2.1 c). */
  placeOfWork?: string;
  /** Which school each question of the procedure follows here. */
  schools?: Record<string, string>;
  /** Standing values of budgets as they stood when the run was begun. */
  standing?: StandingValue[];
  /** The workshop's scope as it stood then; left out where it states none. */
  scope?: ScopeEntry[];
  /** Time was speeded up: can't become a genuine certificate. */
  practice: boolean;
}

export interface TargetUsed {
  value: string;
  unit: string;
  expanded: string | null;
  k: number;
  inputs: Record<string, string>;
  binding: number | null;
  /** The value is rounded to this step because the instrument expects it so. */
  rounded?: string;
  /** Where no bottle stands behind it: clean air, air through a filter, air saturated with water. */
  air?: 'clean' | 'filtered' | 'saturated';
  sentence: string;
}

export interface EventData {
  started: StartedData;
  stepEntered: Record<string, never>;
  stepDone: {
    note?: string;
    trace?: TraceKept;
    /** What each channel showed where a wait ended because the display was back. */ shown?: Record<string, string>;
  };
  stepSkipped: { reason: string };
  answered: { item: string; value: string; note?: string; /** What it had to be. */ expected?: string };
  conditionRecorded: {
    temperatureC?: string;
    pressureHPa?: string;
    humidityPercent?: string;
    /** Which equipment read it, and what it showed before its certificate's correction. */
    by?: Partial<Record<RoomQuantity, { binding: number; shown: string }>>;
  };
  referenceBound: {
    slot: string;
    reference: ReferenceSnapshot;
    flowLPerMin?: string;
    regulator?: { id: string; name: string; lot: string };
  };
  referenceReleased: { slot: string; reason?: string };
  stimulusChanged: { slot: string; means: string; on: boolean; litres?: string };
  readingCaptured: {
    point: string;
    channel: string;
    phase: Phase;
    reading: Reading;
    inputs: Record<string, string>;
    target: TargetUsed | null;
    judgement: Judgement;
    counts: boolean;
    /** Corrected later: when it was really taken. */
    takenAt?: string;
    remark?: string;
    /** Where it was taken off a live line: how still it was, and how fast it came. */
    capture?: Capture;
  };
  adjusted: {
    channels: string[];
    action: AdjustAction;
    outcome: 'passed' | 'failed' | 'applied' | 'discarded';
    readBack: Record<string, string>;
  };
  saved: { evidence: string; outcome: 'saved' | 'lost'; readBack?: string };
  bumped: {
    method: 'timed' | 'watched' | 'station';
    channels: Record<string, BumpChannel>;
    /** What was witnessed or sensed; what nobody could tell is left out. */
    outputs: Partial<Record<Output, boolean>>;
    outcome: 'passed' | 'failed';
    reasons?: string[];
  };
  cared: { action: string; resets: string[]; note?: string; /** What of the shelf was used. */ used?: CareUsed[] };
  partReplaced: { channel: string; part: string; oldSerial?: string; newSerial: string };
  /** A sensor that is missing at the bench, or is not to be calibrated at this visit; or is there after all. */
  channelSet: { channel: string; status: ChannelStatus; reason: string };
  settingChanged: { kind?: SettingKind; setting: string; before: string; after: string; agreedBy?: string };
  /** As it was said then; where the program noted it, as a fact too. */
  deviated: { what: string; reason: string; said?: Fact; because?: Fact };
  /** What follows was written on paper that day, by whom, and the SHA-256 of each photo of it. */
  paperTaken: { day: string; by: string; photos: string[] };
  decided: {
    question: QuestionId;
    option: string;
    channel?: string;
    consequence?: Exclude<Follow, 'mend' | 'remark'> | 'discard';
    again?: string[];
    note?: string;
  };
  struck: { seq: number; reason: string };
  noted: { text: string };
  finished: { statement?: string };
  sentBack: { note: string };
  approved: { samePerson: boolean; note?: string };
  reopened: { reason: string };
  aborted: { reason: string };
}

export type EventType = keyof EventData;

/** What `handle` proposes; the store adds the run, the number and the time of recording. */
export type EventDraft = {
  [T in EventType]: { type: T; data: EventData[T]; step?: string; iteration?: number; occurredAt: string; source: EventSource };
}[EventType];
export type EventSource = 'typed' | 'live' | 'imported' | 'system';

export type RunEvent = EventDraft & {
  run: string;
  seq: number;
  version: number;
  command: string;
  recordedAt: string;
  actor: Actor;
};

/** Version written today. An event of an older one is lifted on reading (`lift`). */
export const EVENT_VERSION = 4;
