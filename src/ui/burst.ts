/** Keys that come closer than this, ms, and so many of them, no hand presses: it is a scanner that types. */
const GAP_MS = 35;
const LENGTH = 4;
/** A single key waits this long to be one: what follows may show that it was a scanner's first. */
export const SETTLE_MS = 38;

/** Tells a scanner's burst from single keys by the times between them. */
export class BurstWatch {
  private text = '';
  private first = -Infinity;
  private last = -Infinity;
  private taken = { from: Infinity, to: -Infinity };

  /** Takes a printable key at a time, ms: whether it begins something, and whether it belongs to a burst by now. */
  add(key: string, at: number): { first: boolean; burst: boolean } {
    const first = at - this.last > GAP_MS;
    if (first) this.first = at;
    this.text = first ? key : this.text + key;
    this.last = at;
    return { first, burst: this.isBurst() };
  }

  isBurst(): boolean {
    return this.text.length >= LENGTH;
  }

  /** What the scanner typed; the watch begins anew, and knows which keys were its own. */
  take(): string {
    const { text } = this;
    this.taken = { from: this.first, to: this.last };
    this.text = '';
    this.last = -Infinity;
    return text;
  }

  /** Whether a key of this time has neighbours too close for a hand: then it means nothing by itself. */
  covers(at: number): boolean {
    return (this.text.length > 1 && at >= this.first) || (at >= this.taken.from && at <= this.taken.to);
  }
}
