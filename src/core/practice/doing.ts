import type { Act } from './act';

/** One thing that is done, without when and where. */
export type Doing = Act extends infer One ? (One extends Act ? Omit<One, 'at' | 'place'> : never) : never;

/** What a master does next at a place: after so many ms, this. Null when all is done there. */
export interface Next {
  after: number;
  doing: Doing[];
}

/** What a master remembers of a place. */
export interface Memory {
  diagnosed: boolean;
  looked: Set<string>;
  /** The step whose time was waited for. */
  waited: string;
}

/** A command of the run as one thing that is done. */
export const command = (given: Extract<Doing, { do: 'command' }>['command']): Doing => ({ do: 'command', command: given });
