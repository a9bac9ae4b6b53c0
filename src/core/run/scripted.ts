import type { Procedure } from '../procedure/procedure';
import type { Command } from './command';
import { EVENT_VERSION, type Actor, type RunChannel, type RunEvent, type StartedData } from '../record/event';
import { handle, toEvents, type HandleContext } from './handle';
import { currentSteps } from './plan';
import type { PlannedStep } from './plan-node';
import { apply } from './reduce';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { isRefusal, type Refusal } from '../words/refusal';
import { emptyState, type RunState } from '../record/state';

/**
 * Drives a run by commands with a clock of its own, without a store. The demo's history and the tests are made with it,
 * through the same `handle` and `apply` as every real run.
 */
export class ScriptedRun {
  readonly events: RunEvent[] = [];
  readonly state: RunState;
  now: Date;
  private commands = 0;

  constructor(
    readonly procedure: Procedure,
    readonly options: {
      run: string;
      actor: Actor;
      start: Date;
      references: ReferenceSnapshot[];
      allowSamePerson?: boolean;
      source?: 'typed' | 'imported';
    },
  ) {
    this.state = emptyState(options.run);
    this.now = options.start;
  }

  wait(seconds: number): this {
    this.now = new Date(this.now.getTime() + seconds * 1000);
    return this;
  }

  /** Sets its clock: whoever works by a real one sets it before each command. */
  at(now: Date): this {
    this.now = now;
    return this;
  }

  /** Gives a command; the refusal is returned, events are kept. */
  try(command: Command, actor: Actor = this.options.actor): Refusal | null {
    const drafts = handle({ procedure: this.procedure, state: this.state, command, context: this.context(actor) });
    if (isRefusal(drafts)) return drafts;
    this.commands += 1;
    const events = toEvents(drafts, {
      run: this.state.run,
      after: this.state.seq,
      command: `${this.options.run}/${this.commands}`,
      recordedAt: this.now.toISOString(),
      actor,
      version: EVENT_VERSION,
    });
    events.forEach((event) => {
      this.events.push(event);
      apply(this.state, event);
    });
    return null;
  }

  /** Whether a command would be refused now; nothing is done. */
  would(command: Command): Refusal | null {
    const context = this.context(this.options.actor);
    const drafts = handle({ procedure: this.procedure, state: this.state, command, context });
    return isRefusal(drafts) ? drafts : null;
  }

  /** Gives a command that has to succeed. Errors: the refusal's sentence. */
  do(command: Command, actor?: Actor): this {
    const refusal = this.try(command, actor);
    if (refusal) throw new Error(`${command.type} refused (${refusal.code}): ${refusal.sentence}`);
    return this;
  }

  start(started: Omit<StartedData, 'procedure'>): this {
    return this.do({
      type: 'start',
      started: { ...started, procedure: { id: this.procedure.id, version: this.procedure.version } },
    });
  }

  current(): readonly PlannedStep[] {
    return currentSteps(this.procedure, this.state);
  }

  /** The one present step. Errors: when there is none or a choice. */
  step(): PlannedStep {
    const [step, ...others] = this.current();
    if (!step || others.length)
      throw new Error(
        `expected one present step, found ${
          this.current()
            .map((one) => one.key)
            .join(', ') || 'none'
        }`,
      );
    return step;
  }

  channel(role: string): RunChannel {
    return this.state.channels.find((channel) => channel.role === role)!;
  }

  private context(actor: Actor): HandleContext {
    return {
      now: this.now.toISOString(),
      today: this.now.toISOString().slice(0, 10),
      actor,
      references: Object.fromEntries(this.options.references.map((reference) => [reference.id, reference])),
      allowSamePerson: this.options.allowSamePerson ?? false,
      origin: { source: this.options.source ?? 'typed' },
    };
  }
}
