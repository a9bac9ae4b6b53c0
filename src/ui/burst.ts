/** Keys that come closer than this, ms, and so many of them, no hand presses: it is a scanner that types. */
const GAP_MS = 35;
const LENGTH = 4;
/** A single key waits this long to be one: what follows may show that it was a scanner's first. */
export const SETTLE_MS = 60;

/** Tells a scanner's burst from single keys by the times between them. */
export class BurstWatch {
  private text = '';
  private last = -Infinity;

  /** Takes a printable key at a time, ms: whether it begins something, and whether it belongs to a burst by now. */
  add(key: string, at: number): { first: boolean; burst: boolean } {
    const first = at - this.last > GAP_MS;
    this.text = first ? key : this.text + key;
    this.last = at;
    return { first, burst: this.isBurst() };
  }

  isBurst(): boolean {
    return this.text.length >= LENGTH;
  }

  /** What the scanner typed; the watch begins anew. */
  take(): string {
    const { text } = this;
    this.text = '';
    this.last = -Infinity;
    return text;
  }

  /** Whether a key of this time is followed or preceded by a burst: then it means nothing by itself. */
  covers(at: number): boolean {
    return this.isBurst() && at >= this.last - GAP_MS * this.text.length;
  }
}
