/** How a reading was taken off a live line: what stood still for how long, and how the response came. Times in s of the instrument's own clock. */
export interface Capture {
  line: string;
  /** Highest less lowest reading inside the window. */
  spread: string;
  windowSeconds: number;
  /** The samples of the window: how many, their standard deviation, lag-one correlation, and how many independent ones they are worth. */
  samples?: { n: number; s: number; correlation: number; worth: number };
  t50Seconds?: number;
  t90Seconds?: number;
  /** Largest change that may still have come when gas was closed early; enters the budget as a rectangle. */
  settling?: string;
  /** Change a minute at which it was still moving, where it was taken before it stood still. */
  perMinute?: string;
  raw?: string;
}

/** The raw readings behind a step: where they are kept, and their hash. */
export interface TraceKept {
  id: string;
  hash: string;
  frames: number;
  fromAt: string;
  toAt: string;
}

/** What a channel did in a bump: direction and size. Response times where a line or a station measured them. */
export interface BumpChannel {
  moved: boolean;
  /** Null where nobody and nothing told it. */
  rightWay: boolean | null;
  shown?: string;
  before?: string;
  t50Seconds?: number;
  t90Seconds?: number;
}
