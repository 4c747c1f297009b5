/** What kind of mistake a wrong answer is, by the figure it leads to. */
export type SlipName =
  | 'upside-down'
  | 'stage-left-out'
  | 'added'
  | 'own-turn-forgotten'
  | 'ring-sun-swapped'
  | 'direct-calculated'
  | 'way-of-a-pair'
  | 'torque-like-speed'
  | 'factor-of-ten'
  | 'one-tooth-on-the-other';

export type Answer =
  /** A size as an exact fraction. */
  | { readonly kind: 'number'; readonly value: string }
  | { readonly kind: 'choice'; readonly value: string; readonly choices: readonly string[] }
  /** Ids of positions, in their order. */
  | { readonly kind: 'order'; readonly value: readonly string[] }
  /** Ids of parts, in any order; written sorted. */
  | { readonly kind: 'parts'; readonly value: readonly string[] };

/** A figure or a choice that a usual slip leads to; never the right one. */
export interface Slip {
  readonly value: string;
  readonly slip: SlipName;
}

/** What is asked of a train, with its answer: computed, never kept as text. */
export interface Asked {
  /** Null where it is about the train as a whole. */
  readonly position: string | null;
  readonly text: string;
  readonly answer: Answer;
  readonly slips: readonly Slip[];
  /** How the answer comes about, line by line. */
  readonly working: readonly string[];
}

export interface Question extends Asked {
  readonly id: string;
  readonly skill: string;
}
