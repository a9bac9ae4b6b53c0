import type { Frame } from '@/core/live/said';
import { LiveChannel, type LiveLook, type LiveRule } from '@/core/live/live-channel';

/** What the page tells the worker. Frames as they came; rules by slot; gas on or off at an instant of the house's clock. */
export type LiveRequest =
  | { type: 'frames'; at: number; frames: Frame[] }
  | { type: 'rules'; rules: Record<number, LiveRule> }
  | { type: 'gas'; since: number | null };

export interface LiveAnswer {
  looks: Record<number, LiveLook>;
  frame: Pick<Frame, 'seconds' | 'mode' | 'pump' | 'alarm'> | null;
  /** Readings taken in since the worker was started: none may be lost. */
  readings: number;
  /** The pump was blocked at some time while gas flowed; kept until gas comes again. */
  blockedInGas: boolean;
  /** Gas as the worker knew it when it looked: an older look says nothing of what flows now. */
  gas: number | null;
}

const scope = self as unknown as {
  onmessage: (event: MessageEvent<LiveRequest>) => void;
  postMessage: (answer: LiveAnswer) => void;
};
/** The page is told at most so often: drawing more would keep it busy. */
const TELL_EVERY_MS = 250;
const channels = new Map<number, LiveChannel>();
let rules: Record<number, LiveRule> = {};
let last: Frame | null = null;
let gas: number | null = null;
/** Instrument's seconds and the house's instant of the same frame, for turning one into the other. */
let marks: { at: number; seconds: number }[] = [];
let readings = 0;
let blockedInGas = false;
let due = false;

scope.onmessage = ({ data }) => {
  if (data.type === 'frames') data.frames.forEach((frame) => take(frame, data.at));
  if (data.type === 'rules') {
    rules = data.rules;
    channels.forEach((channel, slot) => rules[slot] && channel.setRule(rules[slot]));
  }
  if (data.type === 'gas') {
    if (data.since !== null && data.since !== gas) blockedInGas = false;
    gas = data.since;
    channels.forEach((channel) => channel.gas(gasSeconds()));
  }
  if (due) return;
  due = true;
  setTimeout(tell, TELL_EVERY_MS);
};

function take(frame: Frame, at: number): void {
  // The instrument was switched off and on: its time begins anew, and so does everything seen of it.
  if (last && frame.seconds < last.seconds) {
    if (last.seconds - frame.seconds < 5) return;
    channels.clear();
    marks = [];
  }
  last = frame;
  if (gas !== null && at >= gas && frame.pump === 'blocked') blockedInGas = true;
  marks.push({ at, seconds: frame.seconds });
  if (marks.length > 4000) marks.splice(0, 2000);
  for (const reading of frame.readings) {
    readings += 1;
    let channel = channels.get(reading.slot);
    if (!channel) {
      channel = new LiveChannel(rules[reading.slot] ?? { resolution: '1', tolerance: null, expectedChange: null });
      channels.set(reading.slot, channel);
      channel.gas(gasSeconds());
    }
    channel.push(frame.seconds, reading.text, reading.status, reading.raw ?? null);
  }
}

/** The instrument's seconds at which gas came. */
function gasSeconds(): number | null {
  if (gas === null) return null;
  const since = gas;
  return marks.find((mark) => mark.at >= since)?.seconds ?? last?.seconds ?? 0;
}

function tell(): void {
  due = false;
  const looks: Record<number, LiveLook> = {};
  channels.forEach((channel, slot) => {
    const look = channel.look();
    if (look) looks[slot] = look;
  });
  scope.postMessage({
    looks,
    frame: last && { seconds: last.seconds, mode: last.mode, pump: last.pump, alarm: last.alarm },
    readings,
    blockedInGas,
    gas,
  });
}
