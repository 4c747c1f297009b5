import type { Rational } from '../rational';

/** The three members of a set that others can be joined to, in the order in which schemes number them. */
export const CENTRAL = ['sun', 'carrier', 'ring'] as const;
export type Central = (typeof CENTRAL)[number];

/** A set on the table, with its counts, or one whose standing ratio is only known to lie within a range. */
export type AskedSet = GivenSet | RangedSet;

export type GivenSet =
  | { readonly id: string; readonly kind: 'simple' | 'double-pinion'; readonly sun: number; readonly ring: number }
  | {
      readonly id: string;
      readonly kind: 'stepped';
      readonly sun: number;
      /** The planet's gear that meets the sun, and the one that meets the ring. */
      readonly planet: number;
      readonly second: number;
      readonly ring: number;
    };

export interface RangedSet {
  readonly id: string;
  readonly kind: 'simple' | 'double-pinion' | 'stepped';
  /** The size of its standing ratio, least and most: ring over sun, times the steps of a stepped planet. */
  readonly ratio: readonly [number, number];
}

export const isRanged = (set: AskedSet): set is RangedSet => 'ratio' in set;

/** At least one reverse, one of this size, or none asked for. */
export type Reverse = 'any' | 'none' | readonly [least: number, most: number];

export interface SchemeLimits {
  /** Largest speed of a member, and of a planet on its pin, per turn of the input. */
  readonly memberSpeed?: number | undefined;
  readonly planetSpeed?: number | undefined;
  /** Largest torque of an element per torque at the input. */
  readonly elementTorque?: number | undefined;
  /** Largest power that goes round in a circle, per power at the input. */
  readonly recirculation?: number | undefined;
  /** Least efficiency of a forward position, with this efficiency of each mesh. */
  readonly efficiency?: number | undefined;
  readonly mesh?: number | undefined;
  /** Its drawing has no crossing. */
  readonly nested?: boolean | undefined;
}

export type SingleChange = 'required' | 'preferred' | 'any';

/** From sets and a wish to the schemes that fulfil it. */
export interface SchemeQuestion {
  readonly sets: readonly AskedSet[];
  /** Ratios in/out, in the order in which they are shifted. */
  readonly forward: readonly Rational[];
  /** How far a ratio may be off, as a part of it. */
  readonly tolerance: number;
  readonly reverse: Reverse;
  /** Brakes and clutches at most, together and of each kind. */
  readonly atMost: number;
  readonly brakes: number | null;
  readonly clutches: number | null;
  /** How many are engaged in a position; null for whatever can give so many positions. */
  readonly engaged: number | null;
  /** One element off and one on between neighbouring positions. */
  readonly single: SingleChange;
  /** What the input or the output has to be: sun, carrier, ring, shaft (of its own), or one of a set: "front.ring". */
  readonly input: string | null;
  readonly output: string | null;
  readonly limits: SchemeLimits;
  /** How many are told. */
  readonly limit: number;
}
