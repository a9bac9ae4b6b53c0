import type { ReadingStatus } from '../quantity/reading';
import type { MaterialComponent } from '../record/reference-snapshot';

/** What devices and the program say to each other over a line, as data. The form on the line is in docs/line-protocol.md. */
export const LINE_PROTOCOL = 'werkbank-line/1';

export interface ChannelInfo {
  slot: number;
  measurand: string;
  unit: string;
  resolution: string;
  lowest: string;
  highest: string;
  sensorSerial?: string;
  fitted: boolean;
  alarmLow?: string;
  alarmHigh?: string;
  /** Raw output at zero, and a unit of the gas, when the sensor was new: what its health is told by. */
  rawAtZeroNew?: string;
  rawPerUnitNew?: string;
}

export type DeviceKind = 'instrument' | 'tagReader' | 'barometer' | 'flowMeter' | 'thermometer' | 'hygrometer';

/** First line after a connection: who is there. Left out, `device` is an instrument. */
export interface Hello {
  type: 'hello';
  protocol: typeof LINE_PROTOCOL;
  device?: DeviceKind;
  maker: string;
  model: string;
  serial: string;
  firmware: string;
  clock: string;
  keys: string[];
  channels: ChannelInfo[];
}

/** One reading of one channel as its display shows it; raw sensor output where the instrument shows it. */
export interface FrameReading {
  slot: number;
  text: string;
  status: Extract<ReadingStatus, 'value' | 'over' | 'under' | 'fault'>;
  raw?: string;
  /** Only where a device says it with every reading; one that is not the channel's is dropped. */
  unit?: string;
}

/** What the instrument shows at a moment of its own running time. */
export interface Frame {
  type: 'frame';
  seconds: number;
  mode: 'warmUp' | 'measure' | 'zero' | 'span' | 'unsaved';
  readings: FrameReading[];
  pump: 'on' | 'off' | 'blocked' | 'none';
  alarm: { on: boolean; latched: boolean; sound: boolean; light: boolean; vibration: boolean };
}

/** Something that happened once. */
export interface Notice {
  type: 'notice';
  notice: 'zeroed' | 'zeroFailed' | 'spanned' | 'spanFailed' | 'saved' | 'saveLost' | 'acknowledged';
  slot?: number;
  text?: string;
}

/** What the instrument keeps about itself: read out before it is lost, and read back after a save. */
export interface Facts {
  type: 'facts';
  clock: string;
  lastCalibration?: string;
  dueInDays?: number;
  peaks: { slot: number; peak: string; stel?: string; twa?: string }[];
  spanValues: { slot: number; value: string }[];
  lastAlarm?: string;
  /** Data of the probe: what a meter tells of its own calibration; a digital probe's own data file. */
  probe?: { serial: string; slopePercent?: string; offsetMv?: string; cellConstant?: string; responseSeconds?: string };
}

/** What a tag on a bottle carries: it fills the shelf's record. */
export interface Tag {
  type: 'tag';
  name: string;
  maker?: string;
  lot: string;
  partNumber?: string;
  fitting?: string;
  expires: string;
  waterVolumeL?: string;
  pressureBar?: string;
  balance?: string;
  certificate?: string;
  components: MaterialComponent[];
}

/** The answer to a key, by the key's id. */
export interface Answer {
  type: 'answer';
  id: string;
  ok: boolean;
  why?: string;
}

export type Said = Hello | Frame | Notice | Answer | Facts | Tag;

/** A key pressed on the instrument. `value` is a span value where the instrument lets it be set, the time for its clock, the days for its due counter. */
export interface Key {
  type: 'key';
  id: string;
  key: 'zero' | 'span' | 'save' | 'acknowledge' | 'pump' | 'facts' | 'clock' | 'due' | 'discard';
  slot?: number;
  value?: string;
}

/** What is kept of a line for those who watch it. */
export type LiveSaid = Frame | Notice | Tag;
