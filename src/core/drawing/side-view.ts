import { axesOf, type Train } from '../train';
import { axisHeights, type Contact, type PlacedGear } from './axis-heights';
import { planesOf } from './planes';
import { drawnRadii } from './radii';

/** A gear as a bar across its axis, from y − radius to y + radius. */
export interface GearBar {
  readonly gear: string;
  readonly member: string;
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly halfWidth: number;
}

/** A stretch of a member along its axis. */
export interface Shaft {
  readonly member: string;
  readonly y: number;
  readonly x1: number;
  readonly x2: number;
}

/** A bearing in the frame, hatched. */
export interface Bearing {
  readonly x: number;
  readonly y: number;
}

export interface Label {
  readonly text: string;
  readonly of: { readonly kind: 'gear' | 'member'; readonly id: string };
  /** Where the text starts, ends or is centred, on its middle line. */
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** Where power goes in (arrow towards the train) and comes out. */
export interface Port {
  readonly kind: 'input' | 'output';
  readonly member: string;
  readonly x: number;
  readonly y: number;
}

/** The side view as geometry in drawing units (pixels at scale 1). The same for screen, file and thumbnail. */
export interface SideView {
  readonly width: number;
  readonly height: number;
  readonly gears: readonly GearBar[];
  readonly shafts: readonly Shaft[];
  readonly bearings: readonly Bearing[];
  readonly ports: readonly Port[];
  readonly labels: readonly Label[];
}

export type Drawn = { readonly ok: true; readonly view: SideView } | { readonly ok: false; readonly why: string };

const MARGIN = { left: 116, right: 132, top: 26, bottom: 34 };
const HALF_WIDTH = 11;
const STUB = 62;
const LABEL_SIZE = 15;

/**
 * Lays out a train of parallel shafts to fill a space: axes horizontal, planes left to right, the input at the left, the output
 * to the right, meshing gears touching.
 */
export function drawSideView(train: Train, space: { width: number; height: number }): Drawn {
  const why = notParallel(train);
  if (why) return { ok: false, why };
  const axes = axesOf(train);
  const axisOf = new Map(axes.flatMap((axis, i) => axis.members.map((id) => [id, i] as const)));
  const planes = planesOf(train);
  const planeOf = new Map(planes.flatMap((plane, i) => plane.gears.map((id) => [id, i] as const)));
  const radii = drawnRadii(train);
  const placed = new Map(train.gears.map((gear): [string, PlacedGear] => [gear.id, { axis: axisOf.get(gear.member)!, plane: planeOf.get(gear.id)!, radius: radii.get(gear.id)! }]));
  const contacts = train.meshes.map(({ gears: [a, b] }): Contact => ({ a: placed.get(a)!, b: placed.get(b)! }));
  const heights = axisHeights(axes.length, [...placed.values()], contacts);

  const top = Math.min(...train.gears.map((gear) => heights[placed.get(gear.id)!.axis]! - radii.get(gear.id)!));
  const bottom = Math.max(...train.gears.map((gear) => heights[placed.get(gear.id)!.axis]! + radii.get(gear.id)!));
  const scale = (space.height - MARGIN.top - MARGIN.bottom) / (bottom - top);
  const pitch = Math.min(220, Math.max(90, (space.width - MARGIN.left - MARGIN.right) / Math.max(1, planes.length)));
  const drawnWidth = MARGIN.left + MARGIN.right + pitch * planes.length;
  const width = Math.max(space.width, drawnWidth);
  const offset = (width - drawnWidth) / 2;
  const xOf = (plane: number) => Math.round(offset + MARGIN.left + pitch * (plane + 0.5));
  const yOf = (axis: number) => Math.round(MARGIN.top + (heights[axis]! - top) * scale);

  const gears = train.gears.map((gear): GearBar => {
    const { axis, plane, radius } = placed.get(gear.id)!;
    return { gear: gear.id, member: gear.member, x: xOf(plane), y: yOf(axis), radius: radius * scale, halfWidth: HALF_WIDTH };
  });
  const shafts = train.members.flatMap((member): Shaft[] => {
    const own = gears.filter((gear) => gear.member === member.id);
    if (own.length === 0) return [];
    const left = Math.min(...own.map((gear) => gear.x)) - (member.id === train.input ? pitch / 2 + STUB : STUB);
    const right = Math.max(...own.map((gear) => gear.x)) + (train.outputs.includes(member.id) ? pitch / 2 + STUB : STUB);
    return [{ member: member.id, y: own[0]!.y, x1: Math.round(left), x2: Math.round(right) }];
  });
  const ports = shafts.flatMap(({ member, y, x1, x2 }): Port[] =>
    member === train.input ? [{ kind: 'input', member, x: x1, y }] : train.outputs.includes(member) ? [{ kind: 'output', member, x: x2, y }] : [],
  );
  const bearings = shafts.flatMap((shaft): Bearing[] => [
    { x: shaft.x1 + (shaft.member === train.input ? 26 : 8), y: shaft.y },
    { x: shaft.x2 - (train.outputs.includes(shaft.member) ? 26 : 8), y: shaft.y },
  ]);
  return { ok: true, view: { width, height: space.height, gears, shafts, bearings, ports, labels: labelsFor(train, gears, shafts) } };
}

/** What the parallel-shaft layout cannot draw yet, in a sentence. */
function notParallel(train: Train): string | null {
  if (train.gears.length === 0) return 'There is no gear to draw yet.';
  if (train.members.some((member) => member.carrier !== undefined)) return 'This train has planets; the side view draws parallel shafts so far.';
  if (train.gears.some((gear) => gear.type === 'bevel' || gear.type === 'worm')) return 'This train has bevel or worm gears; the side view draws parallel shafts so far.';
  if (train.couplers.length > 0) return 'This train has clutches; the side view draws trains without them so far.';
  return null;
}

/** Tooth counts beside their bars, names at the free end of their shafts. */
function labelsFor(train: Train, gears: readonly GearBar[], shafts: readonly Shaft[]): Label[] {
  const teeth = new Map(train.gears.map((gear) => [gear.id, gear.teeth]));
  const counts = gears.map((gear): Label => {
    const above = gear.y - Math.max(gear.radius - LABEL_SIZE * 0.6, LABEL_SIZE);
    const below = gear.y + Math.max(gear.radius - LABEL_SIZE * 0.6, LABEL_SIZE);
    const x = gear.x + gear.halfWidth + 6;
    const clear = (y: number) => shafts.every((shaft) => Math.abs(shaft.y - y) > LABEL_SIZE || shaft.x2 < x || shaft.x1 > x + 40);
    return { text: `${teeth.get(gear.gear)}`, of: { kind: 'gear', id: gear.gear }, x, y: clear(above) ? above : below, anchor: 'start' };
  });
  const names = new Map(train.members.map((member) => [member.id, member.name]));
  const titles = shafts.map((shaft): Label => {
    const of = { kind: 'member' as const, id: shaft.member };
    const text = names.get(shaft.member)!;
    if (shaft.member === train.input) return { text, of, x: shaft.x1 - 24, y: shaft.y, anchor: 'end' };
    const leftFree = !gears.some((gear) => gear.member !== shaft.member && gear.x < shaft.x1 && gear.x > shaft.x1 - 90 && Math.abs(gear.y - shaft.y) < gear.radius + LABEL_SIZE);
    if (train.outputs.includes(shaft.member)) return { text, of, x: shaft.x2 + 24, y: shaft.y, anchor: 'start' };
    return leftFree ? { text, of, x: shaft.x1 - 8, y: shaft.y, anchor: 'end' } : { text, of, x: shaft.x2 + 8, y: shaft.y, anchor: 'start' };
  });
  return [...counts, ...titles];
}
