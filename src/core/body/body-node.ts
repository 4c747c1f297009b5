import type { AxisFrame } from './axis-frames';
import type { LettingGo } from './coupler-surfaces';
import type { Surface } from './surface';
import type { SlidingWheel } from './sliding';
import type { SectionPlan } from './section-plan';
import type { Touching } from './touching';

/** What moves as one: a member, one of equal planets, half a coupler, or what stands still. */
export interface BodyNode {
  /** The frame where it stands still. */
  readonly member: string;
  /** Index of its surface. */
  readonly surface: number;
  /** Index of the axis that it turns about, or is carried round. */
  readonly axis: number;
  /** Carried round by a member, at a radius and at an angle before anything turns. */
  readonly carried: Carried | null;
  /** Its angle about its own axis before anything turns. */
  readonly phase: number;
  /** Which of the equal planets, from 0. */
  readonly copy: number;
  /** Half a coupler, or a sliding gear, that stands elsewhere while it does not hold. */
  readonly letsGo: { readonly coupler: string; readonly by: LettingGo } | null;
}

export interface Carried {
  readonly carrier: string;
  readonly radius: number;
  readonly angle: number;
  /** Where along the axis; 0 where its surface is made in its place. */
  readonly along: number;
  /** A bevel planet turns about a line out from the axis, this way round where its sense is above 0. */
  readonly outward: 1 | -1 | null;
}

/** A train in three dimensions, mm. */
export interface TrainBody {
  readonly axes: readonly AxisFrame[];
  /** The axis that it is cut open about: of those along the first the one with most planets, else the input's. */
  readonly main: number;
  readonly surfaces: readonly Surface[];
  /** The same with fewer triangles, for machines that cannot turn more in time. */
  readonly plain: readonly Surface[];
  readonly nodes: readonly BodyNode[];
  /** Borders of the figures along the first axis, from left to right: where sets may be drawn apart. */
  readonly figures: readonly (readonly [number, number])[];
  /** Whether every wheel has its true size. */
  readonly isTrue: boolean;
  readonly touching: readonly Touching[];
  readonly sliding: readonly SlidingWheel[];
  readonly section: SectionPlan;
}
