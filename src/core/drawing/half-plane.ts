import { modelOf } from '../model';
import { structureOf, type Structure, type Figure } from '../structure';
import type { Gear, Train } from '../train';
import { itemAt, lookUp } from '../required';

/** A cell of an axis' half plane: column along the axis, row outward from the centre line (row 0). */
export interface PlaneCell {
  readonly x: number;
  readonly row: number;
}

/** Part of a gear that other members' lines must go round: rows from … to in one column. */
export interface GearBody {
  readonly gear: Gear;
  /**
   * bar: right across the axis · sun, ring: a tooth line with its stem · planet: an I · side: a bevel gear seen edge-on
   * · top: a bevel planet.
   */
  readonly shape: 'bar' | 'sun' | 'ring' | 'planet' | 'side' | 'top';
  readonly x: number;
  /** Its last column: that of `x`, but for a long gear. */
  readonly end: number;
  readonly from: number;
  readonly to: number;
  /** Where the pitch line is drawn; for a planet, its pin. */
  readonly at: number;
}

/** A place where a member must be reached: any of these cells. */
export interface Terminal {
  readonly member: string;
  readonly cells: readonly PlaneCell[];
  /** All of its cells are the member's own, used or not: both ends of a planet's pin. */
  readonly kept?: boolean;
  /** The side to which the input or an output leaves the train here. */
  readonly leaves?: 'left' | 'right';
}

/** Where a planet sits on its carrier. */
export interface PlanetPin {
  readonly carrier: string;
  readonly planet: string;
  readonly row: number;
  /** Left and right end, in columns: the planet's own shaft between its planes. */
  readonly x1: number;
  readonly x2: number;
}

/** One axis' half plane before routing. */
export interface HalfPlane {
  readonly axis: number;
  readonly columns: number;
  readonly rows: number;
  readonly bodies: readonly GearBody[];
  /** Cells that a body covers besides its own column. */
  readonly closed: readonly PlaneCell[];
  readonly terminals: readonly Terminal[];
  readonly pins: readonly PlanetPin[];
  readonly planetary: boolean;
  /** Members that run on the centre line at no extra cost. */
  readonly central: ReadonlySet<string>;
}

/**
 * Columns between figures: room for a coupler's symbol and a line either side; in a long row of plain gears, just that.
 */
const GAP = 6;
const CLOSE_GAP = 4;
const LONG_ROW = 8;
const PLANE_GAP = 3;
const PIN_ROW = 11;
/** Rows from the pin to the pitch line of planets that mesh with each other. */
const PAIRED_REACH = 2;
/** Lowest row of a loose gear's hub: what runs on the centre line passes under it. */
const HUB_ROW = 1;

const figureWidth = (figure: Figure): number =>
  figure.kind === 'bevel' ? 5 : (figure.planes.length - 1) * PLANE_GAP + 1;

/** The first column of each figure when they stand in this order, and the number of columns in all. */
export function planeColumns(figures: readonly Figure[]): {
  readonly starts: ReadonlyMap<Figure, number>;
  readonly columns: number;
} {
  const starts = new Map<Figure, number>();
  const gap = figures.length >= LONG_ROW && figures.every(({ kind }) => kind === 'bars') ? CLOSE_GAP : GAP;
  let at = gap;
  for (const figure of figures) {
    starts.set(figure, at);
    at += figureWidth(figure) + gap;
  }
  return { starts, columns: at };
}

/** Puts the figures of one axis into its half plane. `barRows` says how many rows a fixed gear is high. */
export function halfPlane(
  plan: Structure,
  axis: number,
  order: readonly Figure[],
  barRows: (gear: Gear) => number,
): HalfPlane {
  const { starts, columns } = planeColumns(order);
  const bodies: GearBody[] = [];
  const closed: PlaneCell[] = [];
  const terminals: Terminal[] = [];
  const pins: PlanetPin[] = [];
  let planetary = false;
  for (const figure of order) {
    const x = lookUp(starts, figure);
    if (figure.kind === 'bars') {
      for (const gear of figure.gears) {
        if (plan.axisOf.get(gear.member) !== axis) continue;
        const hub = isLoose(plan, gear.member) ? HUB_ROW : 0;
        const to = Math.max(hub + 1, barRows(gear));
        const [first, last] = [
          figure.planes.findIndex((plane) => plane.includes(gear)),
          figure.planes.findLastIndex((plane) => plane.includes(gear)),
        ].map((i) => x + i * PLANE_GAP) as [number, number];
        bodies.push({ gear, shape: 'bar', x: first, end: last, from: hub + 1, to, at: to });
        terminals.push({ member: gear.member, cells: [{ x: first, row: hub }] });
      }
    } else if (figure.axis === axis) {
      planetary = true;
      if (figure.kind === 'bevel') bevel(figure, x, bodies, closed, terminals, pins);
      else planes(figure, x, plan, bodies, closed, terminals, pins);
    }
  }
  const { input, outputs } = plan.train;
  const { axisOf } = plan;
  if (axisOf.get(input) === axis) terminals.push({ member: input, cells: [{ x: 0, row: 0 }], leaves: 'left' });
  const leaving = outputs.filter((output) => axisOf.get(output) === axis);
  leaving.forEach((member, i) => {
    const { side, row } = endOf(i, axisOf.get(input) === axis);
    terminals.push({ member, cells: [{ x: side === 'left' ? 0 : columns - 1, row }], leaves: side });
  });
  const rows =
    Math.max(4, ...bodies.map((body) => body.to)) + 4 + Math.min(3, Math.floor(plan.train.couplers.length / 3));
  const central = new Set(
    itemAt(plan.axes, axis).filter(
      (member) => member === input || outputs.includes(member) || (!planetary && !isLoose(plan, member)),
    ),
  );
  return { axis, columns, rows, bodies, closed, terminals, pins, planetary, central };
}

/** Rows from one shaft's end out to the next that leaves round it. */
const SLEEVE = 2;

/**
 * Where an axis' outputs leave: the first to the right, the next to the left where the input does not come in, further
 * ones as sleeves round those.
 */
function endOf(i: number, inputComesIn: boolean): { readonly side: 'left' | 'right'; readonly row: number } {
  const place = i === 0 || !inputComesIn ? i : i + 1;
  return { side: place % 2 === 0 ? 'right' : 'left', row: SLEEVE * Math.floor(place / 2) };
}

/**
 * A member with one gear beside others that turns loose on a shaft of its axis: its hub leaves the centre line to that
 * shaft.
 */
export const isLoose = ({ train }: Structure, member: string): boolean =>
  modelOf(train).derive(looseMembers).has(member);

function looseMembers(train: Train): ReadonlySet<string> {
  const { axes, figures } = structureOf(train);
  const gearsOn = new Map<string, number>();
  for (const { member } of train.gears) gearsOn.set(member, (gearsOn.get(member) ?? 0) + 1);
  const bars = new Map<string, number>();
  for (const figure of figures)
    if (figure.kind === 'bars') for (const { member } of figure.gears) bars.set(member, (bars.get(member) ?? 0) + 1);
  const ends = new Set<string>([train.input, ...train.outputs]);
  const isShaft = (id: string) => ends.has(id) || (gearsOn.get(id) ?? 0) > 1;
  return new Set(
    axes.flatMap((members) =>
      members.filter(
        (id) => !ends.has(id) && bars.get(id) === 1 && members.some((other) => other !== id && isShaft(other)),
      ),
    ),
  );
}

function planes(
  figure: Extract<Figure, { kind: 'set' }>,
  start: number,
  plan: Structure,
  bodies: GearBody[],
  closed: PlaneCell[],
  terminals: Terminal[],
  pins: PlanetPin[],
): void {
  const largest = Math.max(...figure.planes.flatMap((plane) => plane.planets.map((gear) => gear.teeth)));
  const double = figure.planes.some((plane) => plane.planets.length > 1);
  const rowOf = new Map<string, number>();
  const reach = (gear: Gear) => (double ? PAIRED_REACH : 3 + Math.round(2 * (gear.teeth / largest)));
  for (const { planets } of figure.planes) {
    if (planets.length > 1)
      planets.forEach((gear, i) => rowOf.set(gear.member, PIN_ROW - PAIRED_REACH + 2 * PAIRED_REACH * i));
  }
  for (const { planets } of figure.planes)
    for (const gear of planets) if (!rowOf.has(gear.member)) rowOf.set(gear.member, PIN_ROW);
  const span = new Map<string, [number, number]>();
  figure.planes.forEach((plane, i) => {
    const x = start + i * PLANE_GAP;
    let low = Infinity;
    let high = -Infinity;
    for (const gear of plane.planets) {
      const row = lookUp(rowOf, gear.member);
      const half = reach(gear);
      bodies.push({ gear, shape: 'planet', x, end: x, from: row - half + 1, to: row + half - 1, at: row });
      low = Math.min(low, row - half);
      high = Math.max(high, row + half);
      const [x1, x2] = span.get(gear.member) ?? [x, x];
      span.set(gear.member, [Math.min(x1, x), Math.max(x2, x)]);
    }
    if (plane.planets.length > 1) closed.push({ x, row: PIN_ROW });
    if (plane.sun) {
      bodies.push({ gear: plane.sun, shape: 'sun', x, end: x, from: low, to: low, at: low });
      if (plan.axisOf.has(plane.sun.member)) terminals.push({ member: plane.sun.member, cells: [{ x, row: low - 1 }] });
    }
    if (plane.ring) {
      bodies.push({ gear: plane.ring, shape: 'ring', x, end: x, from: high, to: high, at: high });
      if (plan.axisOf.has(plane.ring.member))
        terminals.push({
          member: plane.ring.member,
          cells: [
            { x, row: high + 1 },
            { x: x - 1, row: high },
            { x: x + 1, row: high },
          ],
        });
    }
  });
  for (const [planet, [x1, x2]] of span) {
    const row = lookUp(rowOf, planet);
    pins.push({ carrier: figure.carrier, planet, row, x1, x2 });
    terminals.push({
      member: figure.carrier,
      cells: [
        { x: x1 - 1, row },
        { x: x2 + 1, row },
      ],
      kept: true,
    });
  }
}

function bevel(
  figure: Extract<Figure, { kind: 'bevel' }>,
  x: number,
  bodies: GearBody[],
  closed: PlaneCell[],
  terminals: Terminal[],
  pins: PlanetPin[],
): void {
  const top = PIN_ROW - 2;
  bodies.push({ gear: figure.left, shape: 'side', x, end: x, from: 3, to: top, at: top });
  bodies.push({ gear: figure.right, shape: 'side', x: x + 4, end: x + 4, from: 3, to: top, at: top });
  bodies.push({ gear: figure.planet, shape: 'top', x: x + 2, end: x + 2, from: top, to: top, at: top });
  closed.push({ x: x + 1, row: top }, { x: x + 3, row: top });
  terminals.push({
    member: figure.left.member,
    cells: [
      { x, row: 2 },
      { x: x - 1, row: 4 },
    ],
  });
  terminals.push({
    member: figure.right.member,
    cells: [
      { x: x + 4, row: 2 },
      { x: x + 5, row: 4 },
    ],
  });
  terminals.push({ member: figure.carrier, cells: [{ x: x + 2, row: top + 1 }] });
  pins.push({ carrier: figure.carrier, planet: figure.planet.member, row: top, x1: x + 2, x2: x + 2 });
}
