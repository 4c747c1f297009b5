import { itemAt } from '../required';
import type { GearBody } from '../drawing';
import type { Gear } from '../train';
import { matesOf, NONE, type AxisWork } from './axis-work';
import { circleAt } from './detail';
import { fieldKey } from './lattice';
import type { NodeBook } from './node-book';
import { BEVEL_FACE } from './radii';
import type { SurfaceBuilder } from './surface';
import type { SolidRing } from './touching';
import type { StandingWheel } from './arrangement';
import { addTurned, ringSection } from './turned';
import { addBar, addBevel, addWheel, APART, firstTooth } from './wheel-surfaces';

/** A planet's bore is wider than its pin. */
const BORE = 1.12;

/** The planets of all sets on an axis, and the pins that carry them. */
export function addPlanets(book: NodeBook, work: AxisWork): readonly SolidRing[] {
  const { plane } = work.half;
  const planets = new Map<string, GearBody[]>();
  for (const body of plane.bodies)
    if (body.shape === 'planet' || body.shape === 'top')
      planets.set(body.gear.member, [...(planets.get(body.gear.member) ?? []), body]);
  return [...planets].flatMap(([member, bodies]) => {
    const copies = new Map<number, StandingWheel[]>();
    for (const standing of work.wheels) {
      const { copy, orbit } = standing.wheel;
      if (standing.wheel.member === member && orbit) copies.set(copy, [...(copies.get(copy) ?? []), standing]);
    }
    return itemAt(bodies, 0).shape === 'top'
      ? addBevelPlanets(book, work, itemAt(bodies, 0), copies)
      : addRoundPlanets(book, work, member, bodies, copies);
  });
}

type Copies = ReadonlyMap<number, readonly StandingWheel[]>;

function addRoundPlanets(
  book: NodeBook,
  work: AxisWork,
  member: string,
  bodies: readonly GearBody[],
  copies: Copies,
): SolidRing[] {
  const { axis, sizes, half, pinOf } = work;
  const pin = pinOf(member);
  // A planet that meets gears in two planes stands in the first of them only.
  const own = [...new Map(bodies.map((body) => [body.gear.id as string, body])).values()];
  const stands = own.map((body) => ({ gear: body.gear, ...faceOf(work, body) })).sort((a, b) => a.from - b.from);
  const made: { readonly key: string; readonly surface: SurfaceBuilder }[] = [];
  for (const [copy, wheels] of copies) {
    const [first] = wheels;
    const orbit = first?.wheel.orbit;
    if (!first || !orbit) continue;
    const behind = (gear: Gear) =>
      (wheels.find(({ wheel }) => wheel.gear === gear.id)?.phase ?? first.phase) - first.phase;
    const node = {
      member,
      axis,
      carried: { carrier: orbit.carrier, radius: orbit.radius, angle: orbit.angle, along: 0, outward: null },
      phase: first.phase,
      copy,
      letsGo: null,
    };
    const key = stands.map(({ gear }) => partOfPitch(behind(gear), gear.teeth)).join(' ');
    const like = made.find((other) => other.key === key);
    if (like) book.again(node, like.surface);
    else {
      const surface = book.node(node);
      made.push({ key, surface });
      addStepped(surface, work, stands, pin.radius * BORE, behind);
    }
    addPin(book.member(orbit.carrier, axis), work, member, orbit, pin.radius);
  }
  const [carrier] = half.plane.pins.filter(({ planet }) => planet === member).map((one) => one.carrier);
  return stands.map(({ gear, from, to }): SolidRing => {
    const { outer } = sizes.of(gear.id);
    return {
      member,
      part: { kind: 'gear', id: gear.id },
      axis,
      z0: from,
      z1: to,
      r0: Math.max(0, pin.orbit - outer),
      r1: pin.orbit + outer,
      field: null,
      carried: carrier ?? null,
      mates: matesOf(work.train, gear.id),
      joins: NONE,
    };
  });
}

function faceOf(
  { columns, sizes }: AxisWork,
  { gear, x, end }: GearBody,
): { readonly from: number; readonly to: number } {
  const middle = (itemAt(columns, 2 * x) + itemAt(columns, 2 * end + 1)) / 2;
  const { face } = sizes.of(gear.id);
  return { from: middle - face / 2, to: middle + face / 2 };
}

/** A planet's wheels, and a sleeve from each to the next. */
function addStepped(
  surface: SurfaceBuilder,
  { sizes, detail }: AxisWork,
  stands: readonly { readonly gear: Gear; readonly from: number; readonly to: number }[],
  bore: number,
  behind: (gear: Gear) => number,
): void {
  stands.forEach(({ gear, from, to }, i) => {
    const place = { from, to, bore, phase: behind(gear) };
    surface.part(
      { kind: 'gear', id: gear.id },
      () => addWheel(surface, sizes.of(gear.id), place, detail),
      firstTooth(sizes.of(gear.id), place),
    );
    const next = stands[i + 1];
    if (!next || next.from <= to) return;
    const wall = 0.85 * Math.min(sizes.of(gear.id).inner, sizes.of(next.gear.id).inner);
    const apart = APART * wall;
    addTurned(surface, ringSection(to + apart, next.from - apart, bore, Math.max(wall, 1.05 * bore)), detail.sides);
  });
}

/** Planets that are turned against each other by whole teeth look the same. */
function partOfPitch(angle: number, teeth: number): string {
  const pitches = (angle * teeth) / (2 * Math.PI);
  return (((pitches % 1) + 1) % 1).toFixed(3).replace('1.000', '0.000');
}

/** From one plate of the carrier to the other, or just through the planet where the carrier reaches one side only. */
function addPin(
  surface: SurfaceBuilder,
  { half: { plane, routed }, columns, walls }: AxisWork,
  planet: string,
  orbit: { readonly carrier: string; readonly radius: number; readonly angle: number },
  radius: number,
): void {
  const pin = plane.pins.find((one) => one.planet === planet);
  if (!pin) return;
  const isPlate = (x: number) => routed.cells.get(orbit.carrier)?.has(fieldKey(x, pin.row)) ?? false;
  const apart = APART * radius;
  const from = itemAt(columns, 2 * pin.x1 - 1) + (isPlate(pin.x1 - 1) ? apart : 0.4 * walls.gap);
  const to = itemAt(columns, 2 * pin.x2 + 2) - (isPlate(pin.x2 + 1) ? apart : 0.4 * walls.gap);
  const [x, y] = [orbit.radius * Math.cos(orbit.angle), orbit.radius * Math.sin(orbit.angle)];
  addBar(surface, circleAt(radius, x, y), from, to);
}

/** Bevel planets turn about lines out from the axis; from their larger ends a stub goes out to the carrier. */
function addBevelPlanets(book: NodeBook, work: AxisWork, { gear, x, at }: GearBody, copies: Copies): SolidRing[] {
  const { axis, sizes, train, walls, columns, radii } = work;
  const size = sizes.of(gear.id);
  const middle = (itemAt(columns, 2 * x) + itemAt(columns, 2 * x + 1)) / 2;
  let surface: SurfaceBuilder | null = null;
  let carrier: string | null = null;
  let radius = 0;
  for (const [copy, [first]] of copies) {
    const orbit = first?.wheel.orbit;
    if (!orbit) continue;
    carrier = orbit.carrier;
    radius = orbit.radius;
    const node = {
      member: gear.member,
      axis,
      carried: { carrier, radius, angle: orbit.angle, along: middle, outward: wayOf(work, gear) },
      phase: 0,
      copy,
      letsGo: null,
    };
    if (surface) book.again(node, surface);
    else {
      surface = book.node(node);
      addBevelPlanet(surface, work, gear, radius, radii.at(x, 2 * at + 2) - radius);
    }
  }
  return [
    {
      member: gear.member,
      part: { kind: 'gear', id: gear.id },
      axis,
      z0: middle - size.pitch,
      z1: middle + size.pitch,
      r0: (1 - BEVEL_FACE) * radius,
      r1: radius + walls.wall,
      field: null,
      carried: carrier,
      mates: matesOf(train, gear.id),
      joins: NONE,
    },
  ];
}

function addBevelPlanet(
  surface: SurfaceBuilder,
  { sizes, detail, walls }: AxisWork,
  gear: Gear,
  radius: number,
  beyond: number,
): void {
  const size = sizes.of(gear.id);
  const bore = 0.3 * size.pitch;
  const back = Math.min(walls.wall, 0.6 * beyond);
  surface.part({ kind: 'gear', id: gear.id }, () => {
    addBevel(surface, size, { at: 0, deep: BEVEL_FACE * radius, towards: -1, bore, phase: 0 }, detail);
    addTurned(surface, ringSection(APART * back, back, bore, 0.9 * size.pitch), detail.sides);
  });
  addTurned(surface, ringSection(-0.8 * BEVEL_FACE * radius, beyond * (1 - APART), 0, 0.9 * bore), detail.sides);
}

/**
 * Which way a planet turns about the line out from the axis where its sense is above 0: it rolls on the gear at its
 * left, forward where that goes forward.
 */
function wayOf({ train, half }: AxisWork, planet: Gear): 1 | -1 {
  const left = half.plane.bodies.filter(({ shape }) => shape === 'side').sort((a, b) => a.x - b.x)[0]?.gear;
  const mesh = train.meshes.find(({ gears }) => left && gears.includes(left.id) && gears.includes(planet.id));
  return mesh?.sense === 'opposite' ? -1 : 1;
}
