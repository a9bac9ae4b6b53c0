import type { Frame, Notice } from '../live/said';
import type { Actor } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import type { ScriptedRun } from '../run/scripted';
import type { Refusal } from '../words/refusal';
import { beginOnModel } from '../walk/begin-on-model';
import type { Act } from './act';
import type { Exercise, ExercisePlace } from './exercise';
import { faultOf, type FaultId } from './fault';
import { HURRY } from './hurried';
import { PracticeInstrument } from './practice-instrument';
import { practiceShelf } from './practice-shelf';

/** An act with what came of it. */
export interface Done {
  act: Act;
  /** Key of the step that was present, and the last event before and after. */
  step: string | null;
  title: string;
  seqBefore: number;
  seq: number;
  refusal?: Pick<Refusal, 'code' | 'sentence' | 'field'>;
  notices?: Notice[];
  /** What was seen where somebody looked: a fault, or that all is well there. */
  seen?: FaultId | null;
  mended?: boolean;
  /** What the displays showed, by channel, where something was read off them. */
  shown?: Record<string, string>;
  /** Share by which they jumped about, by channel, where they did. */
  jumps?: Record<string, number>;
}

export interface AttemptPlace {
  of: ExercisePlace;
  run: ScriptedRun;
  shelf: ReferenceSnapshot[];
  instrument: PracticeInstrument;
  /** When what is dangerous happened, ms since the beginning; null before. */
  incidentAt: number | null;
  heeded: boolean;
}

/**
 * An exercise while it is worked: the same `handle` as every real run, instruments that follow it, and everything that was done. The same acts at the same times come to the same, wherever they are worked:
 * the house scores what was sent to it by doing it again.
 * Errors: Error where a procedure refuses to begin on its model.
 */
export class Attempt {
  readonly done: Done[] = [];
  readonly places: AttemptPlace[];
  private now = 0;

  constructor(
    readonly exercise: Exercise,
    readonly of: { start: Date; actor: Actor; id: string },
  ) {
    this.places = exercise.places.map((place): AttemptPlace => {
      const { model, procedure, hidden } = place;
      const { run, shelf } = beginOnModel(procedure, model, {
        run: `practice-${of.id}-${place.place}`,
        actor: of.actor,
        start: of.start,
        item: { model: model.name, serial: 'PRACTICE' },
        shelfOf: practiceShelf,
      });
      const instrument = new PracticeInstrument(procedure, {
        pumped: model.traits.pumped ?? false,
        hidden,
        byKeys: true,
        ...(place.asFound ? { asFound: place.asFound } : {}),
      });
      instrument.frame(run.state, 0);
      return { of: place, run, shelf, instrument, incidentAt: null, heeded: false };
    });
    this.places.forEach((one) => this.watch(one));
  }

  at(place: number): AttemptPlace {
    const found = this.places.find((one) => one.of.place === place);
    if (!found) throw new Error(`there is no place ${place}`);
    return found;
  }

  /** Lets time pass up to a moment, ms since the beginning. It never goes back. */
  pass(at: number): void {
    if (at <= this.now) return;
    const seconds = ((at - this.now) / 1000) * HURRY;
    this.now = at;
    this.places.forEach(({ run, instrument }) => instrument.frame(run.state, seconds));
  }

  frame(place: number): Frame {
    const { run, instrument } = this.at(place);
    return instrument.frame(run.state, 0);
  }

  /** Does one thing, and keeps it with what came of it. */
  act(act: Act): Done {
    this.pass(act.at);
    const place = this.at(act.place);
    const { run, instrument } = place;
    run.at(new Date(this.of.start.getTime() + this.now));
    const [present] = run.current();
    const done: Done = {
      act: { ...act, at: this.now },
      step: present?.key ?? null,
      title: present?.step.title ?? '',
      seqBefore: run.state.seq,
      seq: run.state.seq,
    };
    if (act.do === 'command') {
      if ('readings' in act.command || act.command.type === 'captureReading') {
        done.shown = this.shownAt(place);
        const jumps = run.state.channels.flatMap(({ id }) => (instrument.jumpsBy(id) ? [[id, instrument.jumpsBy(id)]] : []));
        if (jumps.length) done.jumps = Object.fromEntries(jumps) as Record<string, number>;
      }
      const refusal = run.try(act.command);
      if (refusal)
        done.refusal = { code: refusal.code, sentence: refusal.sentence, ...(refusal.field ? { field: refusal.field } : {}) };
      done.seq = run.state.seq;
    } else if (act.do === 'press') done.notices = instrument.press(run.state, act, run.now.toISOString().slice(0, 10));
    else if (act.do === 'look')
      done.seen = instrument.faults().find(({ fault }) => faultOf(fault).look === act.look)?.fault ?? null;
    else if (act.do === 'mend') done.mended = instrument.mend(act.remedy);
    else if (act.do === 'heed') place.heeded = place.incidentAt !== null;
    this.done.push(done);
    // What the sheet does next decides what the display comes to: from now on.
    this.places.forEach((one) => one.instrument.frame(one.run.state, 0));
    this.watch(place);
    return done;
  }

  /** All runs were finished and nothing dangerous waits. */
  ended(): boolean {
    return this.places.every(({ run, incidentAt, heeded }) => run.state.status !== 'open' && (incidentAt === null || heeded));
  }

  private shownAt({ run, instrument }: AttemptPlace): Record<string, string> {
    const { readings } = instrument.frame(run.state, 0);
    return Object.fromEntries(
      run.state.channels.map(({ id }, index) => {
        const { text, status } = readings[index]!;
        return [id, status === 'value' ? text : status];
      }),
    );
  }

  private watch(place: AttemptPlace): void {
    const { incident } = place.of;
    if (!incident || place.incidentAt !== null) return;
    if (place.run.current().some(({ step }) => step.id === incident.step)) place.incidentAt = this.now;
  }
}
