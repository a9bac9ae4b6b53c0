import type { RoomQuantity } from '../procedure/room-quantity';
import type { EventSource, StartedData } from '../record/event';
import type { SettingKind } from '../instrument/setting';
import type { Output } from '../instrument/output';
import type { BumpChannel, Capture } from '../record/evidence';

export interface Answer {
  value: string;
  note?: string;
}

/** What one channel showed at one point. */
export interface ReadingTaken {
  point: string;
  channel: string;
  text: string;
  status?: 'value' | 'over' | 'under' | 'fault' | 'flicker';
  inputs?: Record<string, string>;
  /** Why a reading counts that was typed before its time. */
  deviation?: string;
  capture?: Capture;
}

/** What a person (or a station's log) asks of a run. Everything else is worked out by `handle`. */
export type Command =
  | { type: 'start'; started: StartedData }
  | { type: 'enterStep'; step: string }
  | {
      type: 'completeStep';
      step: string;
      answers?: Record<string, Answer>;
      conditions?: { temperatureC?: string; pressureHPa?: string; humidityPercent?: string };
      /** Which equipment read each quantity of the room. */
      equipment?: Partial<Record<RoomQuantity, string>>;
      deviation?: string;
      /** What the display of each channel shows: a purge that is over before its time. */
      shown?: Record<string, string>;
    }
  | { type: 'skipStep'; step: string; reason: string }
  | { type: 'bindReference'; slot: string; reference: string; flowLPerMin?: string; regulator?: string }
  | { type: 'changeStimulus'; step: string; slot: string; on: boolean }
  | ({ type: 'captureReading'; step: string } & ReadingTaken)
  /** Several channels that were taken by one press: all of them or none. */
  | { type: 'captureReadings'; step: string; readings: ReadingTaken[] }
  | {
      type: 'adjust';
      step: string;
      channels: string[];
      outcome: 'passed' | 'failed' | 'applied' | 'discarded';
      readBack?: Record<string, string>;
    }
  | { type: 'save'; step: string; readBack?: string; lost?: boolean }
  | {
      type: 'bump';
      step: string;
      channels: Record<string, BumpChannel>;
      outputs: Partial<Record<Output, boolean>>;
      /** A station's own word on it: what it failed can't pass. */
      verdict?: 'passed' | 'failed';
    }
  | {
      type: 'care';
      step: string;
      /** References of the shelf, one of each kind that it takes; a note says what else was used. */
      materials?: string[];
      note?: string;
    }
  | { type: 'replacePart'; channel: string; part: string; newSerial: string }
  | { type: 'setChannel'; channel: string; status: 'fitted' | 'removed' | 'notCalibrated'; reason: string }
  | { type: 'changeSetting'; kind: SettingKind; setting: string; before: string; after: string; agreedBy?: string }
  | { type: 'decide'; step: string; option: string; note?: string }
  | { type: 'strike'; seq: number; reason: string }
  | { type: 'correct'; seq: number; text?: string; reference?: string; inputs?: Record<string, string>; reason: string }
  | { type: 'note'; text: string }
  /** The work was written on paper, without the house: what is entered from now on is taken from there. */
  | { type: 'takePaper'; day: string; by: string; photos: string[] }
  | { type: 'finish'; statement?: string }
  | { type: 'sendBack'; note: string }
  | { type: 'approve'; note?: string }
  | { type: 'reopen'; reason: string }
  | { type: 'abort'; reason: string };

export type CommandType = Command['type'];

/** Where a command comes from when it isn't a person at the keys. */
export interface CommandOrigin {
  source?: EventSource;
  occurredAt?: string;
}
