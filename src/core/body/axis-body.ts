import type { GearBody } from '../drawing';
import { itemAt } from '../required';
import { partsById, type PartRef } from '../train';
import { matesOf, NONE, type AxisWork } from './axis-work';
import { slidBy } from './columns';
import { addCoupler, type CouplerRoom } from './coupler-surfaces';
import { filledOn } from './filled-on';
import { cellOf, sectionsOf } from './lattice';
import type { NodeBook } from './node-book';
import { addPlanets } from './planets';
import { BEVEL_FACE } from './radii';
import type { SolidRing } from './touching';
import type { SurfaceBuilder } from './surface';
import { addTurned, ringSection } from './turned';
import type { Side } from './webs';
import type { WheelSize } from './wheel-sizes';
import { addBevel, addWeb, addWheel, APART, firstTooth } from './wheel-surfaces';

/** Adds everything on one axis; says what room each part takes. */
export function addAxis(book: NodeBook, work: AxisWork): readonly SolidRing[] {
  return [
    ...addLines(book, work),
    ...work.half.plane.bodies.flatMap((body) => addCentral(book, work, body)),
    ...addPlanets(book, work),
    ...addCouplers(book, work),
  ];
}

/** What the members' lines become when they are turned: shafts, sleeves, drums and discs. */
function addLines(book: NodeBook, work: AxisWork): SolidRing[] {
  const { columns, axis, detail, radii } = work;
  const filled = filledOn(work);
  return [...filled].flatMap(([member, own]) => {
    const surface = book.member(member, axis);
    for (const section of sectionsOf(own, columns, radii)) addTurned(surface, section, detail.sides);
    return [...own].map((key): SolidRing => {
      const { x: column, row } = cellOf(key);
      const at = (border: number) => (border === 0 ? 0 : radii.at(column / 2, border));
      return {
        member,
        part: { kind: 'member', id: member } as PartRef,
        axis,
        z0: itemAt(columns, column),
        z1: itemAt(columns, column + 1),
        r0: at(row),
        r1: at(row + 1),
        field: `${axis} ${key}`,
        carried: null,
        mates: NONE,
        joins: NONE,
      };
    });
  });
}

/** A wheel that stands on the axis. */
function addCentral(book: NodeBook, work: AxisWork, body: GearBody): SolidRing[] {
  const { gear, shape, x, end, from, at } = body;
  if (shape === 'planet' || shape === 'top') return [];
  const { columns, sizes, detail, axis, train, walls, radii } = work;
  const size = sizes.of(gear.id);
  const phase = work.wheels.find(({ wheel }) => wheel.gear === gear.id)?.phase ?? 0;
  const [left, right] = [itemAt(columns, 2 * x), itemAt(columns, 2 * end + 1)];
  const middle = (left + right) / 2;
  const long = x === end ? size.face : right - left;
  const place = shape === 'side' ? { from: left, to: right } : { from: middle - long / 2, to: middle + long / 2 };
  const bore =
    shape === 'bar' ? radii.at(x, 2 * from - 1) : shape === 'sun' ? radii.at(x, 2 * at) : radii.at(x, 2 * from);
  // Of a train that cannot be built a shaft may be thicker than a wheel on it.
  const held = { ...place, bore: Math.min(bore * (1 + APART), 0.95 * size.inner), phase };
  const sliding = slidBy(train, gear.id);
  const surface = sliding
    ? book.node({
        member: gear.member,
        axis,
        carried: null,
        phase: 0,
        copy: 0,
        letsGo: { coupler: sliding.id, by: { along: long + 0.5 * walls.gap, wider: 0 } },
      })
    : book.member(gear.member, axis);
  const ring = (r0: number, r1: number): SolidRing => ({
    member: gear.member,
    part: { kind: 'gear', id: gear.id },
    axis,
    z0: place.from,
    z1: place.to,
    r0,
    r1,
    field: null,
    carried: null,
    mates: matesOf(train, gear.id),
    joins: NONE,
  });
  /** What belongs to the wheel beside its teeth, which touches nothing. */
  const solid = (z0: number, z1: number, r0: number, r1: number): SolidRing => ({
    ...ring(r0, r1),
    ...{ z0, z1, mates: NONE },
  });
  const rings: SolidRing[] = [];
  surface.part(
    { kind: 'gear', id: gear.id },
    () => {
      if (gear.type === 'bevel') {
        rings.push(ring(bore, size.pitch));
        return addBevelWheel(surface, work, body, held);
      }
      addWheel(surface, size, held, detail);
      const web = work.webs.get(gear.id);
      if (web) rings.push(...addRingWeb(surface, work, size, { ...place, edges: [left, right], bore, web }, solid));
      rings.push(gear.type === 'internal' ? ring(size.inner, size.rim) : ring(bore, size.outer));
    },
    firstTooth(size, held),
  );
  return rings;
}

interface WebPlace {
  /** The ring's own faces, and those of the widest wheel in its column. */
  readonly from: number;
  readonly to: number;
  readonly edges: readonly [number, number];
  readonly bore: number;
  readonly web: Side;
}

/** The disc that carries a ring from one side, beyond whatever runs in it, and the drum from the ring to the disc. */
function addRingWeb(
  surface: SurfaceBuilder,
  { detail, walls }: AxisWork,
  { outer, rim, pitch }: WheelSize,
  { from, to, edges: [left, right], bore, web }: WebPlace,
  room: (z0: number, z1: number, r0: number, r1: number) => SolidRing,
): readonly SolidRing[] {
  const apart = APART * pitch;
  const thick = 0.6 * walls.gap;
  const [z0, z1] = web === 'right' ? [right + apart, right + apart + thick] : [left - apart - thick, left - apart];
  addWeb(surface, z0, z1, bore * (1 + APART), rim, detail.sides);
  const [drumFrom, drumTo] = web === 'right' ? [to + apart, z0 - apart] : [z1 + apart, from - apart];
  if (drumTo - drumFrom <= apart) return [room(z0, z1, bore, rim)];
  // As thin as its teeth leave it.
  const inside = outer + 0.1 * (rim - outer);
  addTurned(surface, ringSection(drumFrom, drumTo, inside, rim), detail.sides);
  return [room(z0, z1, bore, rim), room(drumFrom, drumTo, inside, rim)];
}

/** A bevel gear and the disc behind it; its teeth look towards its mate. */
function addBevelWheel(
  surface: Parameters<typeof addBevel>[0],
  { train, sizes, detail, half, columns }: AxisWork,
  { gear, x, shape }: GearBody,
  {
    from,
    to,
    bore,
    phase,
  }: { readonly from: number; readonly to: number; readonly bore: number; readonly phase: number },
): void {
  const size = sizes.of(gear.id);
  const mate = train.meshes
    .flatMap(({ gears: [a, b] }) => (a === gear.id ? [b] : b === gear.id ? [a] : []))
    .map((id) => sizes.of(id).pitch)[0];
  const deep = BEVEL_FACE * (mate ?? size.pitch);
  if (shape === 'bar') return addBevel(surface, size, { at: (from + to) / 2, deep, towards: 1, bore, phase }, detail);
  const isLeft = half.plane.bodies.some((body) => body.shape === 'top' && body.x > x);
  const [left, right] = [itemAt(columns, 2 * x), itemAt(columns, 2 * x + 1)];
  const face = isLeft ? right : left;
  addWeb(surface, left, right - (isLeft ? APART * deep : 0), bore, 0.92 * size.pitch, detail.sides);
  addBevel(
    surface,
    size,
    { at: face + (isLeft ? APART : -APART) * deep, deep, towards: isLeft ? 1 : -1, bore, phase },
    detail,
  );
}

/** Both halves of every coupler, each on its own member. */
function addCouplers(book: NodeBook, work: AxisWork): SolidRing[] {
  const { train, half, columns, axis, detail, radii, walls } = work;
  return half.routed.symbols.flatMap(({ coupler: id, at, direction }) => {
    const coupler = partsById(train).coupler(id);
    if (!('joins' in coupler)) return [];
    const room: CouplerRoom = {
      z0: itemAt(columns, 2 * at.x),
      z1: itemAt(columns, 2 * at.x + 1),
      r0: radii.at(at.x, 2 * at.row),
      // Where wheels leave no room it is thin, but there.
      r1: Math.max(radii.at(at.x, 2 * at.row + 1), radii.at(at.x, 2 * at.row) + 0.2 * walls.wall),
      first: itemAt(['left', 'outside', 'right', 'inside'] as const, direction),
    };
    const [one, two] = coupler.joins;
    const fixed = book.member(one, axis);
    const moved = book.node({ member: two, axis, carried: null, phase: 0, copy: 0, letsGo: null });
    fixed.part({ kind: 'coupler', id }, () =>
      moved.part({ kind: 'coupler', id }, () =>
        book.movesWith(moved, { coupler: id, by: addCoupler(fixed, moved, coupler, room, detail) }),
      ),
    );
    return coupler.joins.map((member): SolidRing => ({
      member,
      part: { kind: 'coupler', id },
      axis,
      ...{ z0: room.z0, z1: room.z1, r0: room.r0, r1: room.r1 },
      field: null,
      carried: null,
      mates: NONE,
      joins: new Set(coupler.joins),
    }));
  });
}
