import { FrameGuard } from '@/core/live/frame-guard';
import type { Facts, Hello, LiveSaid, Said } from '@/core/live/said';
import { linkOver, type InstrumentLink, type TextStream } from './link';

export interface LineState {
  state: 'connected' | 'away';
  reason: string;
  hello: (Hello & { facts?: Facts }) | null;
  dropped: number;
  droppedWhy: string;
}

/** Most that one line may say between two writes: more is a device gone wild, and is dropped with a count. */
const MOST_WAITING = 400;
const LONGEST_PAUSE_MS = 5000;

/**
 * Keeps one device connected: connects, says who is there, looks at every line before it is believed, and comes back by itself when the connection is lost.
 * What is dropped is counted and named, never thrown.
 */
export class LineReader {
  readonly state: LineState = { state: 'away', reason: 'not connected yet', hello: null, dropped: 0, droppedWhy: '' };
  changed = true;
  private waiting: LiveSaid[] = [];
  private guard = new FrameGuard();
  private link: InstrumentLink | null = null;
  private stopped = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private pause = 250;

  constructor(
    private readonly open: () => Promise<TextStream>,
    private readonly onDrop: (why: string, count: number) => void = () => undefined,
  ) {}

  start(): void {
    void this.connect();
  }

  /** What came since the last time, at most a bounded number. */
  takeWaiting(): LiveSaid[] {
    const { waiting } = this;
    this.waiting = [];
    return waiting;
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    await this.link?.close().catch(() => undefined);
  }

  private async connect(): Promise<void> {
    try {
      const link = linkOver(await this.open());
      if (this.stopped) return void link.close();
      this.link = link;
      this.guard = new FrameGuard();
      link.onSaid((said) => this.take(said));
      link.onNonsense((sentence) => this.drop(sentence));
      link.onClose((reason) => this.lost(reason));
      this.pause = 250;
    } catch (error) {
      this.lost((error as Error).message);
    }
  }

  private take(said: Said): void {
    switch (said.type) {
      case 'hello':
        this.guard.hello(said);
        Object.assign(this.state, { state: 'connected', reason: '', hello: said });
        this.changed = true;
        void this.link?.press({ key: 'facts' });
        return;
      case 'frame': {
        const verdict = this.guard.check(said);
        if (!verdict.ok) return this.drop(verdict.sentence);
        verdict.dropped.forEach((why) => this.drop(why));
        return this.wait(verdict.frame);
      }
      case 'facts':
        if (this.state.hello) this.state.hello = { ...this.state.hello, facts: said };
        this.changed = true;
        return;
      case 'notice':
        this.wait(said);
        if (said.notice === 'saved' || said.notice === 'saveLost') void this.link?.press({ key: 'facts' });
        return;
      case 'tag':
        return this.wait(said);
      case 'answer':
        return;
    }
  }

  private wait(said: LiveSaid): void {
    if (this.waiting.length >= MOST_WAITING) return this.drop('it said more than can be written down');
    this.waiting.push(said);
  }

  private drop(why: string): void {
    this.state.dropped += 1;
    this.state.droppedWhy = why;
    this.changed = true;
    this.onDrop(why, this.state.dropped);
  }

  private lost(reason: string): void {
    this.link = null;
    if (this.state.state !== 'away' || this.state.reason !== reason) this.changed = true;
    Object.assign(this.state, { state: 'away', reason });
    if (this.stopped) return;
    this.timer = setTimeout(() => void this.connect(), this.pause);
    this.pause = Math.min(LONGEST_PAUSE_MS, this.pause * 1.6);
  }
}
