import {
  checked,
  FRAME,
  LIMITS,
  type Coupler,
  type Edit,
  type Gear,
  type Member,
  type Mesh,
  type Position,
  type Train,
} from '../train';
import { required } from '../required';

/** A number that a pattern asks for: whole, unless it is a measure. */
export interface PatternQuestion {
  readonly key: string;
  readonly label: string;
  readonly start: number;
  readonly least: number;
  readonly most: number;
  /** Not a count: it may have decimals. */
  readonly measure?: true;
}

/** A kind of train to start from: what it asks, and the document that the answers make. */
export interface Pattern {
  readonly key: string;
  readonly title: string;
  /** What its trains are called until they get a name; where it is not said, by the title. */
  readonly called?: string;
  readonly says: string;
  readonly asks: readonly PatternQuestion[];
  readonly build: (answer: (key: string) => number) => PatternParts;
}

/** The parts of a train; the head is added by buildPattern. */
export interface PatternParts {
  readonly members: readonly Member[];
  readonly gears: readonly Gear[];
  readonly meshes: readonly Mesh[];
  readonly couplers?: readonly Coupler[];
  readonly positions?: readonly Position[];
  readonly input: string;
  readonly output: string;
  /** Outputs besides. */
  readonly more?: readonly string[];
}

export const teethAsk = (key: string, label: string, start: number): PatternQuestion => ({
  key,
  label,
  start,
  least: 4,
  most: LIMITS.teeth,
});

export const member = (id: string, carrier?: string, copies?: number): Member => ({
  id,
  name: id,
  ...(carrier === undefined ? {} : { carrier }),
  ...(copies === undefined ? {} : { copies }),
});

export const gear = (id: string, on: string, teeth: number, type: Gear['type'] = 'external'): Gear => ({
  id,
  member: on,
  teeth,
  type,
});

export const brake = (id: string, name: string, of: string): Coupler => ({
  id,
  name,
  type: 'brake',
  joins: [of, FRAME],
});

export const clutch = (id: string, name: string, a: string, b: string): Coupler => ({
  id,
  name,
  type: 'clutch',
  joins: [a, b],
});

export const dog = (id: string, name: string, a: string, b: string): Coupler => ({
  id,
  name,
  type: 'clutch',
  joins: [a, b],
  style: 'dog',
});

export const position = (name: string, ...engaged: string[]): Position => ({ id: name, name, engaged });

/**
 * The train that a pattern makes of these answers, or what is wrong with them; missing answers are the pattern's own.
 */
export function buildPattern(pattern: Pattern, name: string, answers: Readonly<Record<string, number>>): Edit {
  const answer = (key: string) => answers[key] ?? required(pattern.asks.find((ask) => ask.key === key)).start;
  for (const { key, label, least, most, measure } of pattern.asks) {
    const value = answer(key);
    if (!(measure ? Number.isFinite(value) : Number.isInteger(value)) || value < least || value > most)
      return { ok: false, message: `${label} must be a ${measure ? '' : 'whole '}number from ${least} to ${most}.` };
  }
  return trainOf(name, pattern.build(answer));
}

/** The document of a train of these parts, or what is wrong with it. */
export function trainOf(name: string, parts: PatternParts): Edit {
  const { members, gears, meshes, couplers = [], positions = [], input, output, more = [] } = parts;
  const train: Train = {
    format: 'tin-wheel/train',
    version: 1,
    name: name.trim(),
    members: [...members],
    gears: [...gears],
    meshes: [...meshes],
    couplers: [...couplers],
    positions: [...positions],
    input,
    outputs: [output, ...more],
  };
  return checked(train);
}
