/** What kind of mistake a wrong answer is, by the figure it leads to. */
export type SlipName =
  | 'upside-down'
  | 'idler-counted'
  | 'stage-left-out'
  | 'added'
  | 'own-turn-forgotten'
  | 'ring-sun-swapped'
  | 'direct-calculated'
  | 'way-of-a-pair'
  | 'internal-sign'
  | 'torque-like-speed'
  | 'factor-of-ten'
  | 'one-tooth-on-the-other'
  | 'half-a-change'
  | 'the-other-way-round';

export type QuestionAnswer =
  /** A size as an exact fraction, and the unit it is asked in; "" for a ratio. */
  | { readonly kind: 'number'; readonly value: string; readonly unit: '' | 'turns' | 'rpm' | 'N·m' }
  | { readonly kind: 'choice'; readonly value: string; readonly choices: readonly string[] }
  /** Ids in their order, out of those there are to choose from. */
  | {
      readonly kind: 'order';
      readonly value: readonly string[];
      readonly of: 'positions' | 'members';
      readonly choices: readonly string[];
    }
  /** Ids in any order, written sorted, out of those there are to choose from. */
  | {
      readonly kind: 'parts';
      readonly value: readonly string[];
      readonly of: 'members' | 'couplers';
      readonly choices: readonly string[];
    };

/**
 * A figure or a choice that a usual slip leads to; never the right one. Ids of several parts stand joined by commas.
 */
export interface Slip {
  readonly value: string;
  readonly slip: SlipName;
}

/** What is asked of a train, with its answer: computed, never kept as text. */
export interface AskedQuestion {
  /** Null where it is about the train as a whole. */
  readonly position: string | null;
  readonly text: string;
  readonly answer: QuestionAnswer;
  readonly slips: readonly Slip[];
  /** How the answer comes about, line by line. */
  readonly working: readonly string[];
}

export interface PracticeQuestion extends AskedQuestion {
  readonly id: string;
  readonly skill: string;
  /** With the skill and the train it makes this question again. */
  readonly seed: number;
}
