import { CHANNEL_STATUSES } from '../instrument/channel-status';
import { SERVICES } from '../instrument/service';
import { PHASES } from '../procedure/phase';
import { ADJUST_ACTIONS } from '../procedure/procedure';
import { QUESTIONS } from '../procedure/question';
import type { EventData, EventType } from '../record/event';

/** What a part of an event is, as far as it is checked on reading. `?`: may be left out. */
type Kind = 'text' | 'number' | 'flag' | 'list' | 'object' | 'target';
type Parts = Record<string, Kind | readonly string[] | `${Kind}?`>;

/** Every type of event with the parts that everything downstream takes for granted; the compiler sees that none is missing. */
const EVENTS: Record<EventType, Parts> = {
  started: {
    procedure: 'object',
    origin: ['guided', 'imported'],
    service: SERVICES,
    items: 'list',
    channels: 'list',
    rule: ['simple', 'guarded'],
    coverage: 'number',
    practice: 'flag',
  },
  stepEntered: {},
  stepDone: { note: 'text?', trace: 'object?', shown: 'object?' },
  stepSkipped: { reason: 'text' },
  answered: { item: 'text', value: 'text', note: 'text?', expected: 'text?' },
  conditionRecorded: { temperatureC: 'text?', pressureHPa: 'text?', humidityPercent: 'text?', by: 'object?' },
  referenceBound: { slot: 'text', reference: 'object', flowLPerMin: 'text?', regulator: 'object?' },
  referenceReleased: { slot: 'text', reason: 'text?' },
  stimulusChanged: { slot: 'text', means: 'text', on: 'flag', litres: 'text?' },
  readingCaptured: {
    point: 'text',
    channel: 'text',
    phase: PHASES,
    reading: 'object',
    inputs: 'object',
    target: 'target',
    judgement: 'object',
    counts: 'flag',
  },
  adjusted: {
    channels: 'list',
    action: ADJUST_ACTIONS,
    outcome: ['passed', 'failed', 'applied', 'discarded'],
    readBack: 'object',
  },
  saved: { evidence: 'text', outcome: ['saved', 'lost'], readBack: 'text?' },
  bumped: { method: ['timed', 'watched', 'station'], channels: 'object', outputs: 'object', outcome: ['passed', 'failed'] },
  cared: { action: 'text', resets: 'list', note: 'text?', used: 'list?' },
  partReplaced: { channel: 'text', part: 'text', newSerial: 'text' },
  channelSet: { channel: 'text', status: CHANNEL_STATUSES, reason: 'text' },
  settingChanged: { setting: 'text', before: 'text', after: 'text', agreedBy: 'text?' },
  deviated: { what: 'text', reason: 'text', said: 'object?', because: 'object?' },
  paperTaken: { day: 'text', by: 'text', photos: 'list' },
  decided: { question: QUESTIONS, option: 'text', channel: 'text?', note: 'text?' },
  struck: { seq: 'number', reason: 'text' },
  noted: { text: 'text' },
  finished: { statement: 'text?' },
  sentBack: { note: 'text' },
  approved: { samePerson: 'flag', note: 'text?' },
  reopened: { reason: 'text' },
  aborted: { reason: 'text' },
};

const isObject = (value: unknown) => typeof value === 'object' && value !== null && !Array.isArray(value);
const IS: Record<Kind, (value: unknown) => boolean> = {
  text: (value) => typeof value === 'string',
  number: (value) => typeof value === 'number' && Number.isFinite(value),
  flag: (value) => typeof value === 'boolean',
  list: Array.isArray,
  object: isObject,
  target: (value) => value === null || isObject(value),
};

/**
 * Checks the data of a stored event, of today's version, against its type: an unknown type, or a part that is missing or of another kind, is an error and not a surprise further on.
 * Errors: RangeError naming the event's type and part.
 *
 * @example
 * checkEventData('noted', { text: 'pump is loud' }) // nothing
 */
export function checkEventData(type: string, data: unknown): asserts data is EventData[EventType] {
  const parts = Object.hasOwn(EVENTS, type) ? EVENTS[type as EventType] : null;
  if (!parts) throw new RangeError(`type must be one of an event, got ${type}`);
  if (!isObject(data)) throw new RangeError(`data of ${type} must be an object`);
  for (const [name, wanted] of Object.entries(parts)) {
    const value = (data as Record<string, unknown>)[name];
    if (typeof wanted !== 'string') {
      if (!wanted.includes(String(value)))
        throw new RangeError(`${type}.${name} must be one of ${wanted.join(', ')}, got ${String(value)}`);
      continue;
    }
    const optional = wanted.endsWith('?');
    if (optional && value === undefined) continue;
    const kind = (optional ? wanted.slice(0, -1) : wanted) as Kind;
    if (!IS[kind](value)) throw new RangeError(`${type}.${name} must be a ${kind}`);
  }
}
