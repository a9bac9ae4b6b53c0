import type { Output } from '../instrument/output';
import type { BufferId } from '../ph/buffer-value';
import type { Samples } from '../instrument/samples';
import type { Condition } from './condition';
import type { EquipmentRole } from './equipment-role';
import type { BadAnswer, Follow } from './follow';
import type { Phase } from './phase';
import type { QuestionId } from './question';
import type { RoomQuantity } from './room-quantity';

/** How an as-found figure is worked out once the meter was adjusted in another liquid. */
export type ComputedFrom = 'electrode' | 'cell';

/** What a reading is compared with. A closed list: a new model is data, a new quantity is code. */
export type Target =
  | { kind: 'fixed'; value: string; unit: string }
  | {
      kind: 'material';
      slot: string;
      /** Further places of the same use (a station’s other bottles): the one that brings the channel’s gas counts. */
      others?: string[];
      component: 'channelGas' | string;
      /** 'compensated': the standard at the channel's reference temperature; 'dissolvedSolids': by the channel's own rule from the standard. */
      via: 'certified' | 'atTemperature' | 'atPressure' | 'lelScale' | 'compensated' | 'dissolvedSolids';
    }
  /** A buffer that the electrode names by its millivolts; with a slot it has to be the one that was scanned. */
  /** … `setBy`: the set is the answer to this question of the procedure. */
  | { kind: 'recognised'; set: BufferId[]; setBy?: string; slot?: string }
  | { kind: 'computed'; function: 'cleanAirOxygen' | 'airSaturatedOxygen' }
  /** An indicator strip: a colour between two fields is an interval, and the meter has to lie inside. */
  | { kind: 'strip' }
  | { kind: 'comparison'; slot: string }
  | { kind: 'observe'; direction: 'rise' | 'fall' };

export interface Point {
  id: string;
  label: string;
  /** Channel roles of the procedure that this point covers. */
  channels: string[];
  target: Target;
  /** Left out: the channel's own tolerance. 'zero': the channel's tolerance at zero. */
  tolerance?: 'zero' | { caution?: string; limit: string };
  /** A reading outside is not believed, whatever the tolerance says (plausibility before accepting). */
  /** 'gate': open or shut before anything counts; a stated thing, never judged against a tolerance. */
  judge?: 'gate';
  gate?: { lowest: string; highest: string; reason: string; /** The two are parts of the target. */ ofTarget?: true };
}

export interface Slot {
  id: string;
  label: string;
  kind: 'gas' | 'cleanAir' | 'buffer' | 'standard' | 'tool' | 'solution';
  /** Gases or quantities that the material must bring; 'channelGases' = the calibration gas of every fitted channel. */
  needs?: 'channelGases' | string[];
  /** Kinds of equipment that may stand here; any where left out. */
  roles?: EquipmentRole[];
  /** Flows that may feed it, L/min; any where left out. */
  flows?: string[];
}

interface StepBase {
  id: string;
  title: string;
  reason?: string;
  caution?: string;
  when?: Condition;
  /** Sentences that only one school has: added to the reason where the run follows it. */
  says?: { school: string; option: string; text: string }[];
}

/** What a question of a step is about. Closed. */
export const ITEM_TOPICS = [
  'peaks',
  'lastAlarm',
  'clock',
  'clockSet',
  'ownCounter',
  'storedSpan',
  'alarmLow',
  'alarmHigh',
  'cellConstant',
  'cameDry',
  'placeOfWork',
  'backInAir',
  'another',
  'keptBefore',
] as const;
export type ItemTopic = (typeof ITEM_TOPICS)[number];

export interface CheckItem {
  id: string;
  label: string;
  /** 'sensorSerial': a new sensor was fitted; its serial begins a new series. */
  answer: 'passFault' | 'yesNo' | 'number' | 'text' | 'sensorSerial';
  unit?: string;
  /** A setting that was read before, as step/item: one that differs afterwards is a changed setting, and somebody has to have agreed. */
  sameAs?: string;
  /** A figure of a probe that is read back from the instrument, and of which channel. */
  reads?: { figure: 'slope' | 'offset' | 'cellConstant' | 'response'; role: string };
  /** What the answer is about, for those who ask for it elsewhere: nobody asks for it by its name or label. */
  about?: ItemTopic;
  /** Which answer is bad, and what may follow it. 'none': no answer to it is bad. */
  bad?: BadAnswer | 'none';
  /** It is about this output: asked only where the model has it. */
  output?: Output;
  /** A figure that only so many different buffers or standards can give: one buffer gives no slope. */
  needsPoints?: number;
}

/** One answer to such a question. */
export interface SchoolOption {
  id: string;
  label: string;
  reason: string;
  /** It fits samples of more than this, asked once at receipt: the last answer whose limit is passed is proposed. */
  over?: Partial<Samples>;
  /** Channel roles that this answer leaves uncalibrated. */
  without?: string[];
}

/** A question on which practitioners disagree: what this procedure does, and why. A model may choose another option (its traits). */
export interface School {
  id: string;
  label: string;
  options: SchoolOption[];
  standard: string;
}

export const ADJUST_ACTIONS = ['quick', 'zero', 'fineZero', 'span', 'calibrate', 'trim'] as const;
export type AdjustAction = (typeof ADJUST_ACTIONS)[number];

/** What care takes from the shelf. Closed. */
export const CARE_MATERIALS = ['storage', 'cleaning', 'electrolyte', 'membrane'] as const;
export type CareMaterial = (typeof CARE_MATERIALS)[number];

export type Step =
  | (StepBase & { kind: 'check'; items: CheckItem[] })
  | (StepBase & { kind: 'condition'; quantities: RoomQuantity[] })
  | (StepBase & { kind: 'reference'; slots: string[] })
  | (StepBase & {
      kind: 'wait';
      minSeconds: number;
      maxSeconds?: number;
      from?: 'placed' | 'entered';
      /** Over as soon as the display is back at zero and clean air; with a sensor that hides gas, five minutes whatever it shows. */
      clears?: true;
      /** How long gas that a zero hides takes, s: five minutes where left out. Only practice, whose clock is quicker, has another. */
      hiddenSeconds?: number;
    })
  | (StepBase & { kind: 'stimulus'; slot: string; means: string; on: boolean; maxSeconds?: number })
  | (StepBase & {
      kind: 'read';
      points: string[];
      phase: Phase;
      counts?: false;
      remark?: string;
      stability?: { windowSeconds: number; maxSpread: string };
      /** As found after another liquid was set already: worked out from what the meter kept before. */
      computed?: ComputedFrom;
      /** How long gas or liquid has to act before a reading counts; earlier asks for a reason. */
      exposureSeconds?: number;
      /** A sample that is taken at one moment of a breath: press at this second of so many. */
      sample?: { pressAt: number; of: number };
    })
  | (StepBase & { kind: 'adjust'; points: string[]; action: AdjustAction; together: boolean })
  | (StepBase & { kind: 'save'; evidence: 'confirm' | 'automatic' | 'readBackDate' | 'readBackValue'; deadlineSeconds?: number })
  | (StepBase & {
      kind: 'bump';
      channels: string[];
      method: 'timed' | 'watched' | 'station';
      outputs: Output[];
      /** What may follow where it fails; left out in procedures of before. */
      follows?: Follow[];
    })
  | (StepBase & { kind: 'care'; action: string; resets: string[]; /** What of the shelf it takes. */ uses?: CareMaterial[] })
  | (StepBase & { kind: 'decide'; question: QuestionId; options: DecideOption[] })
  | GroupStep;

export interface DecideOption {
  id: string;
  label: string;
  /** What it does to the channel (or the whole run): sent to service or tagged out of service means no further readings are asked of it. */
  consequence?: Exclude<Follow, 'mend' | 'remark'> | 'discard';
  /** Channel roles whose series begins anew with what was done. */
  resets?: string[];
  /** It takes a sentence: what was done, or why it may stand. */
  needsNote?: true;
  /** Channel roles that are calibrated once more: their points so far no longer speak for them. */
  again?: string[];
}

export type GroupStep = StepBase & {
  kind: 'group';
  steps: Step[];
  order: 'fixed' | 'any';
  forEach?: 'channel';
  /** Name of a sheet of its own: a combined instrument has several, worked in any order. */
  sheet?: string;
  repeat?: { atMost: number; until?: Condition };
  /** Start another round when this comes true although the round was complete (a save that came too late). */
  restartOn?: Condition;
};

export interface ProcedureChannel {
  role: string;
  label: string;
  /** Measurands that may stand in this place. */
  measurands: string[];
  optional?: boolean;
}

/** A versioned document; frozen once a run used it. */
export interface Procedure {
  id: string;
  version: number;
  family: number;
  title: string;
  method: string;
  scope: 'calibration' | 'zeroOnly' | 'accuracyCheck' | 'bumpOnly';
  /** Seconds of warm-up before anything counts; the bench shows this clock before a run is begun. */
  warmUpSeconds: number;
  channels: ProcedureChannel[];
  slots: Slot[];
  points: Point[];
  steps: Step[];
  cautions: string[];
  schools?: School[];
}
