import type { Rational } from '../rational';

/**
 * The derivation of a position's speeds as a person would do it with pencil, as data: the interface and the
 * text rendering choose the words. All speeds are per turn of the input.
 */
export type WorkingStep =
  /** The member that is turned: ω = 1. */
  | { readonly kind: 'input'; readonly member: string; readonly speed: Rational }
  /** A member that stands, and the brake, one-way clutch or worm that holds it. */
  | { readonly kind: 'held'; readonly member: string; readonly by: string; readonly speed: Rational }
  /** Two members that turn as one through an engaged coupler. */
  | {
      readonly kind: 'joined';
      readonly coupler: string;
      readonly from: string;
      readonly member: string;
      readonly speed: Rational;
    }
  /** A pair of gears on fixed axes: speed = from speed × factor, factor = ∓ z_from / z_to. */
  | (ToothFactor & {
      readonly kind: 'pair';
      readonly from: string;
      readonly member: string;
      readonly fromSpeed: Rational;
      readonly speed: Rational;
    })
  /**
   * One planetary set with one of its three left: (ω_x − ω_arm) = factor · (ω_y − ω_arm), solved for x, y or the arm.
   */
  | (SetEquation & {
      readonly kind: 'set';
      /** The two of x, y and the arm that are known. */
      readonly known: readonly [Known, Known];
      readonly member: string;
      readonly speed: Rational;
    })
  /** Two members of a set that turn alike seen from the arm, and so turn alike wherever the arm may be. */
  | {
      readonly kind: 'twin';
      readonly arm: string;
      readonly as: string;
      readonly member: string;
      readonly teeth: readonly ToothFactor[];
      readonly speed: Rational;
    }
  /**
   * A set in which nothing rolls, so that all its members turn as one or stand: its meshes contradict each other
   * otherwise, or two of
   * its members turn alike already. A relation of speeds from its arm would be 0 over 0.
   */
  | {
      readonly kind: 'block';
      readonly because: 'meshes' | readonly [string, string];
      readonly arm: string;
      readonly as: string;
      readonly member: string;
      readonly speed: Rational;
    }
  /**
   * Sets so coupled that none has a single unknown: the equations together, one member after the other put in terms of
   * the rest, and back.
   */
  | {
      readonly kind: 'simultaneous';
      readonly equations: readonly Equation[];
      readonly eliminations: readonly Elimination[];
      readonly solution: readonly FoundStep[];
    };

export interface Known {
  readonly member: string;
  readonly speed: Rational;
}

/** An equation of a simultaneous solution: a set's, or two members joined (by a coupler, or in a block). */
export type Equation = (SetEquation & { readonly kind: 'set' }) | ({ readonly kind: 'join' } & Join);

/** ω_member = Σ factor · ω_term + constant, from equation `from` with all that was eliminated before put in. */
export interface Elimination {
  readonly member: string;
  /** Which equation, counted from 0. */
  readonly from: number;
  readonly terms: readonly { readonly member: string; readonly factor: Rational }[];
  readonly constant: Rational;
}

/** A member's speed from its elimination, with the speeds found before put in. */
export interface FoundStep extends Known {
  readonly by: Elimination;
}

/** What one mesh does on the way from one gear to the other: the speed is multiplied by ∓ fromTeeth / toTeeth. */
export interface ToothFactor {
  readonly mesh: string;
  readonly fromGear: string;
  readonly toGear: string;
  readonly fromTeeth: number;
  readonly toTeeth: number;
  readonly opposite: boolean;
}

/** ω_x − ω_arm = factor · (ω_y − ω_arm), or ω_x = factor · ω_y when the arm is the frame. */
export interface SetEquation {
  readonly arm: string;
  readonly x: string;
  readonly y: string;
  readonly factor: Rational;
  /** The tooth counts that make the factor, from y to x. */
  readonly teeth: readonly ToothFactor[];
}

/** ω_a = ω_b, through an engaged coupler; null where a set that turns as one block joins them. */
export interface Join {
  readonly coupler: string | null;
  readonly a: string;
  readonly b: string;
}

/** One factor of the ratio: speed in over speed out of a stage. */
export interface Stage {
  readonly step: WorkingStep;
  readonly ratio: Rational;
  /** Product of this and all stages before it. */
  readonly running: Rational;
}

export interface CrossCheck {
  readonly way: 'product of stages' | 'speed in over speed out' | 'torque out over torque in';
  readonly value: Rational;
}

export interface Working {
  readonly steps: readonly WorkingStep[];
  /** Members whose speed stays open. */
  readonly floating: readonly string[];
  /** The plain chain from input to output, or null where paths join or sets are coupled. */
  readonly stages: readonly Stage[] | null;
  /** Up to three ways to the same ratio; for an ideal train they must agree. */
  readonly checks: readonly CrossCheck[];
}
