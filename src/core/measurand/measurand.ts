import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel, TargetUsed } from '../run/event';
import type { Capture } from '../run/evidence';
import type { Refusal } from '../run/refusal';
import type { RunState } from '../run/state';
import type { Component } from '../uncertainty/component';
import type { Fact } from '../words/say';
import type { StandingDefault, StandingId } from './standing';

/** A figure that has to be known beside the reading before it can be judged. */
export interface PointInput {
  name: string;
  label: string;
  needed: boolean;
}
export type Inputs = Record<string, string>;

/** What a target is worked out from: the point, the channel, what was typed beside the reading, and the run so far. */
export interface TargetContext {
  point: Point;
  channel: RunChannel;
  state: RunState;
  inputs: Inputs;
  procedure: Procedure;
}
export interface InfluenceContext extends TargetContext {
  target: TargetUsed;
  capture?: Capture;
}

/** What a measurand is to a probe in water. */
export type ProbeKind = 'pH' | 'conductivity' | 'oxygen' | 'orp' | 'ion' | 'temperature';

/** A buffer or standard that the procedures ask for by name; a bottle on the shelf says which one it is. */
export interface StandardLiquid {
  kind: 'buffer' | 'standard';
  substance: string;
  name: string;
  unit: string;
}

/** Which direction of a wrong reading endangers people: one that rises too little warns late; of oxygen both ends matter. */
export type Danger = 'rise' | 'fall' | 'both' | null;

/**
 * All that the bench has to know of a quantity. One module a measurand; nobody outside asks which kind it is.
 * A new one is a module, its entry in the index, its words, its unit, and a procedure that uses it.
 */
export interface Measurand {
  /** Units that a display of it may show. */
  units: readonly string[];
  danger: Danger;
  /** Molecules and liquids that its references bring are known by their substance; the ones that name this measurand's own. */
  inputs: (point: Point, channel: RunChannel) => PointInput[];
  target: (context: TargetContext) => TargetUsed | null | Refusal;
  /** Components beyond those that every point has. */
  influences: (context: InfluenceContext) => Component[];
  standing: Partial<Record<StandingId, StandingDefault>>;
  /** What was typed beside the reading contradicts the reference in use. */
  contradicts?: (context: TargetContext, target: TargetUsed) => Refusal | null;
  /** What its liquids are; a shelf offers these. */
  liquids?: readonly StandardLiquid[];
  probe?: ProbeKind;
  /** Rules by which the channel computes what it shows, for the document. */
  describe?: (channel: RunChannel) => Fact[];
}
