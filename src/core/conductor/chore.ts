/** One thing to do at a place: a hand is busy with it, and afterwards time passes by itself. Times in seconds. */
export interface Chore {
  id: string;
  label: string;
  hand: number;
  then: number;
  /** What it takes for itself when it begins: a bottle with its one regulator, a dip. Held until a later chore of the same place gives it back. */
  takes?: string;
  gives?: string;
  /** It reads the room as clean air: nowhere else may gas be open meanwhile, nor be opened. */
  clearRoom?: true;
  /** It opens gas into the room while it holds what it takes. */
  opensGas?: true;
  /** A liquid that several may be dipped into at once: whoever has the beaker ready dips what waits for it too. */
  shares?: string;
  /** It has to begin within so many seconds after the one before it was over. */
  within?: number;
}

/** What is left to do at one place, in its order. */
export interface Chain {
  place: number;
  chores: readonly Chore[];
  /** From when on the next one may begin, s from now: what passes by itself there. */
  ready: number;
  /** What it holds already, and whether gas is open there. */
  holds: readonly string[];
  gasOpen: boolean;
}

export interface Start {
  place: number;
  chore: Chore;
  /** Seconds from now. */
  at: number;
}

export interface Conducted {
  starts: Start[];
  /** When all is done, s from now. */
  ends: number;
  /** What no order could be quicker than: the hands, the longest chain, each thing that is shared. */
  bound: number;
  /** When all would be done one after another, each waited for. */
  oneByOne: number;
}
