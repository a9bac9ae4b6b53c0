import { LineReader, type LineState } from '@/instruments/line-reader';
import type { TextStream } from '@/instruments/link';
import type { LiveSaid } from '@/core/live/said';

const SEND_EVERY_MS = 250;
/** Without anything new it says so much that the line is known to be alive. */
const ALIVE_EVERY_MS = 2500;
/** What is kept while the server is out of reach; older frames give way, as on a display. */
const MOST_KEPT = 400;

export interface SerialReport {
  holder: string;
  hello: object;
  state: Pick<LineState, 'state' | 'reason' | 'dropped' | 'droppedWhy'> | null;
  said: LiveSaid[];
}
export type SerialAnswer = { ok: true } | { ok: false; message: string; final: boolean };
export interface SerialView {
  phase: 'closed' | 'opening' | 'reading' | 'away';
  /** Who is there, or what is wrong. */
  words: string;
}

/**
 * The device on this computer's serial port: read by the same reader as every line, and told to the server a few times a second.
 * Nothing is lost while the server is out of reach for a moment; a refusal ends it with its sentence.
 */
export class SerialLine {
  view: SerialView = { phase: 'opening', words: 'Opening the port…' };
  private reader: LineReader;
  private waiting: LiveSaid[] = [];
  private told: string | null = null;
  private sending = false;
  private lastSent = 0;
  private timer: ReturnType<typeof setInterval>;

  constructor(
    open: () => Promise<TextStream>,
    private readonly holder: string,
    private readonly send: (report: SerialReport) => Promise<SerialAnswer>,
    private readonly onChange: () => void = () => undefined,
  ) {
    this.reader = new LineReader(open);
    this.reader.start();
    this.timer = setInterval(() => void this.tick(), SEND_EVERY_MS);
  }

  async close(words = 'Closed here.'): Promise<void> {
    clearInterval(this.timer);
    await this.reader.stop();
    Object.assign(this.reader.state, { state: 'away', reason: words });
    if (this.told !== null) await this.report().catch(() => undefined);
    this.show({ phase: 'closed', words });
  }

  /** One round: take what came, tell it, keep it when it could not be told. */
  async tick(): Promise<void> {
    this.waiting.push(...this.reader.takeWaiting());
    if (this.waiting.length > MOST_KEPT) this.waiting.splice(0, this.waiting.length - MOST_KEPT);
    const { state } = this.reader;
    if (!state.hello) {
      if (state.reason !== 'not connected yet') this.show({ phase: 'away', words: `Nothing understood yet: ${state.reason}.` });
      return;
    }
    const changed = this.told !== JSON.stringify(this.stateNow());
    if (this.sending || (!changed && !this.waiting.length && Date.now() - this.lastSent < ALIVE_EVERY_MS)) return;
    await this.report();
  }

  private stateNow(): SerialReport['state'] & { hello: unknown } {
    const { state, reason, dropped, droppedWhy, hello } = this.reader.state;
    return { state, reason: reason.slice(0, 200), dropped, droppedWhy: droppedWhy.slice(0, 300), hello };
  }

  private async report(): Promise<void> {
    this.sending = true;
    const { hello, ...state } = this.stateNow();
    const now = JSON.stringify({ ...state, hello });
    const said = this.waiting.splice(0);
    const answer = await this.send({
      holder: this.holder,
      hello: hello as object,
      state: now === this.told ? null : state,
      said,
    });
    this.sending = false;
    const { maker, model, serial } = this.reader.state.hello!;
    if (answer.ok) {
      this.told = now;
      this.lastSent = Date.now();
      if (state.state === 'connected') this.show({ phase: 'reading', words: `Reads ${maker} ${model} ${serial}.` });
      else this.show({ phase: 'away', words: `${maker} ${serial} is away: ${state.reason}.` });
    } else if (answer.final) {
      this.told = null;
      await this.close(answer.message);
    } else {
      this.waiting.unshift(...said);
      this.show({ phase: 'away', words: answer.message });
    }
  }

  private show(view: SerialView): void {
    if (view.phase === this.view.phase && view.words === this.view.words) return;
    this.view = view;
    this.onChange();
  }
}
