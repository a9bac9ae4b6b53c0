import type { ReadingStatus } from '../quantity/reading';

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
}

/** First line after a connection: who is there. */
export interface Hello {
  type: 'hello';
  protocol: typeof LINE_PROTOCOL;
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

/** The answer to a key, by the key's id. */
export interface Answer {
  type: 'answer';
  id: string;
  ok: boolean;
  why?: string;
}

export type Said = Hello | Frame | Notice | Answer;

/** A key pressed on the instrument. `value` is a span value where the instrument lets it be set. */
export interface Key {
  type: 'key';
  id: string;
  key: 'zero' | 'span' | 'save' | 'acknowledge' | 'pump';
  slot?: number;
  value?: string;
}
