import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel, TargetUsed } from '../record/event';
import type { Capture } from '../record/evidence';
import type { Refusal } from '../words/refusal';
import type { RunState } from '../record/state';
import type { Component } from '../uncertainty/component';
import type { Fact } from '../words/say';
import type { StandingDefault, StandingId } from '../uncertainty/standing';

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

/** What the diagnosis has to know of a gas sensor (common practice). */
export interface GasSensor {
  /** Seconds to nine tenths, as such a sensor usually takes. */
  usualT90Seconds: number;
  /** A catalytic sensor: silicones and sulphur poison it, and what is left still moves a little. */
  poisons?: true;
  /** The gas fades in its bottle. */
  fadesInBottle?: true;
  /** Its calibration gas makes the reading fall from what clean air holds. */
  fallsInGas?: true;
}

/** Which direction of a wrong reading endangers people: one that rises too little warns late; of oxygen both ends matter. */
export type Danger = 'rise' | 'fall' | 'both' | null;

/**
 * All that the bench has to know of a quantity. One module a measurand; nobody outside asks which kind it is.
 * A new one is a module, its entry in the index, its words, its unit, and a procedure that uses it.
 */
export interface Measurand {
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
  /** What its gas sensor is like, where it is a gas. */
  sensor?: GasSensor;
  /** Rules by which the channel computes what it shows, for the document. */
  describe?: (channel: RunChannel) => Fact[];
}
