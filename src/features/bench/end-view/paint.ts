import { centreOf, pitchesPast, poseOf, type Station, type TurnsOf, type EndViewGear } from '@/core/end-view';
import { box, circlePath, line, plainRing, teethOutline } from './outlines';
import type { Pen } from './pen';
import { itemAt } from '@/core/required';

/** How one wheel is to look. */
export interface WheelInk {
  readonly color: string;
  /** Power goes through its teeth or its member. */
  readonly powered: boolean;
  readonly marked: boolean;
  readonly lit: boolean;
  /** Slid out of every mesh. */
  readonly out: boolean;
}

export interface EndViewPaper {
  readonly power: string;
  readonly paper: string;
  readonly ink: string;
}

/** From the station's own units to pixels of the picture. */
export interface EndViewFrame {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** Teeth finer than this, in pixels per module, are a circle. */
const FINEST = 0.9;

/** The view in which a station fits a picture. */
export function fitView({ bounds }: Station, width: number, height: number, margin: number): EndViewFrame {
  const scale = Math.min(
    (width - 2 * margin) / (bounds.right - bounds.left),
    (height - 2 * margin) / (bounds.bottom - bounds.top),
  );
  return {
    scale,
    x: width / 2 - (scale * (bounds.left + bounds.right)) / 2,
    y: height / 2 - (scale * (bounds.top + bounds.bottom)) / 2,
  };
}

/**
 * What of a station looks the same however far it has turned: wheels on fixed axes whose teeth are too fine to be seen,
 * but for their spokes and marks. Painted once, it need not be painted at every frame.
 */
export function paintStill(
  pen: Pen,
  { wheels }: Station,
  view: EndViewFrame,
  inks: readonly WheelInk[],
  paper: EndViewPaper,
): void {
  for (const i of inOrder(wheels)) {
    const wheel = itemAt(wheels, i);
    if (!isRound(wheel, view)) continue;
    const look = placed(pen, wheel, { ...wheel.centre, angle: 0 }, view, itemAt(inks, i), paper);
    paintRound(pen, wheel, look, paper);
  }
}

/**
 * The rest of a station as it stands after these turns: chains, then rings, then what runs in them, and the spokes and
 * marks of all.
 */
export function paintMoving(
  pen: Pen,
  { wheels, chains }: Station,
  phases: readonly number[],
  turns: TurnsOf,
  view: EndViewFrame,
  inks: readonly WheelInk[],
  paper: EndViewPaper,
): void {
  for (const { a, b } of chains) paintChain(pen, itemAt(wheels, a), itemAt(wheels, b), turns, view, paper);
  for (const i of inOrder(wheels))
    paintWheel(pen, itemAt(wheels, i), itemAt(phases, i), turns, view, itemAt(inks, i), paper);
}

/** Rings first, so that what runs in them is seen. */
const inOrder = (wheels: readonly EndViewGear[]): readonly number[] =>
  wheels
    .map((_, i) => i)
    .sort((a, b) => Number(itemAt(wheels, b).shape === 'ring') - Number(itemAt(wheels, a).shape === 'ring'));

const isRound = ({ shape, orbit, module }: EndViewGear, { scale }: EndViewFrame): boolean =>
  orbit === null && (shape === 'smooth' || ((shape === 'toothed' || shape === 'ring') && scale * module < FINEST));

/** A wheel's lines and fill, and how large its module is in pixels. */
interface Look {
  readonly size: number;
  readonly edge: { readonly stroke: string; readonly width: number; readonly alpha: number };
  readonly body: { readonly fill: string; readonly fillAlpha: number };
}

/** Places the pen at a wheel, and says how the wheel looks there. */
function placed(
  pen: Pen,
  wheel: EndViewGear,
  { x, y, angle }: { readonly x: number; readonly y: number; readonly angle: number },
  { scale, x: left, y: top }: EndViewFrame,
  ink: WheelInk,
  paper: EndViewPaper,
): Look {
  const size = scale * wheel.module;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  pen.place([cos * size, sin * size, -sin * size, cos * size, left + scale * x, top + scale * y]);
  return {
    size,
    edge: {
      stroke: ink.powered ? paper.power : ink.color,
      width: (ink.lit ? 2.6 : 1.3) / size,
      alpha: ink.out ? 0.3 : 1,
    },
    body: { fill: ink.color, fillAlpha: (ink.lit ? 0.42 : 0.17) * (ink.out ? 0.5 : 1) },
  };
}

function paintWheel(
  pen: Pen,
  wheel: EndViewGear,
  phase: number,
  turns: TurnsOf,
  view: EndViewFrame,
  ink: WheelInk,
  paper: EndViewPaper,
): void {
  const look = placed(pen, wheel, poseOf(wheel, turns, phase), view, ink, paper);
  if (wheel.shape === 'worm') return paintWorm(pen, pitchesPast(wheel, turns), look);
  if (wheel.shape === 'bevel planet') return paintBevelPlanet(pen, wheel, pitchesPast(wheel, turns), look);
  if (!isRound(wheel, view)) paintRound(pen, wheel, look, paper);
  paintTurned(pen, wheel, ink, look, paper);
}

const hubOf = (teeth: number): number => Math.min(teeth * 0.14, Math.max(1.1, teeth * 0.09));

/** A wheel's outline and hub. */
function paintRound(
  pen: Pen,
  { teeth, shape, shift }: EndViewGear,
  { size, edge, body }: Look,
  paper: EndViewPaper,
): void {
  const ring = shape === 'ring';
  const fine = size < FINEST;
  const outline =
    shape === 'smooth' || (fine && !ring)
      ? circlePath(teeth / 2)
      : fine
        ? plainRing(teeth)
        : teethOutline(teeth, ring, size > 7 ? 7 : size > 3 ? 4 : 2, shift);
  pen.draw(outline, { ...body, ...edge });
  if (!ring) pen.draw(circlePath(hubOf(teeth)), { fill: paper.paper, ...edge });
}

/** One spoke's worth of asymmetry, by which a wheel without a mark still shows that it turns; and the mark. */
function paintTurned(
  pen: Pen,
  { teeth, shape }: EndViewGear,
  ink: WheelInk,
  { size, edge }: Look,
  paper: EndViewPaper,
): void {
  const ring = shape === 'ring';
  const hub = hubOf(teeth);
  if (!ring) pen.draw(line(hub, 0, hub + Math.max(0.5, teeth * 0.06), 0), edge);
  if (ink.marked)
    pen.draw(circlePath(Math.max(0.7, 3.4 / size), (ring ? 1 : -1) * 1.9 + teeth / 2), { fill: paper.ink });
}

const WORM = { half: 4, long: 11 };

/** A worm from its side, its thread wandering along it. */
function paintWorm(pen: Pen, past: number, { edge, body }: Look): void {
  const outline = box(WORM.long, WORM.half);
  pen.draw(outline, { ...body, ...edge });
  let thread = '';
  for (let at = -WORM.long - Math.PI * (2 - (past - Math.floor(past))); at < WORM.long + 3; at += Math.PI)
    thread += line(at, WORM.half, at + Math.PI / 2, -WORM.half);
  pen.draw(thread, { ...edge, within: outline });
}

/** A bevel planet edge-on: its teeth come past as lines. It lies along its carrier's arm. */
function paintBevelPlanet(pen: Pen, { teeth }: EndViewGear, past: number, { edge, body }: Look): void {
  const half = teeth / 2;
  const outline = box(half * 0.35, half);
  pen.draw(outline, { ...body, ...edge });
  const visible = Math.max(4, Math.round(teeth / 2));
  let lines = '';
  for (let i = 0; i <= visible; i++) {
    // Teeth on the near half of the wheel, foreshortened towards its edges.
    const at = -half * Math.cos((Math.PI * (i + past - Math.floor(past))) / visible);
    lines += line(-half * 0.35, at, half * 0.35, at);
  }
  pen.draw(lines, { ...edge, within: outline });
}

function paintChain(
  pen: Pen,
  a: EndViewGear,
  b: EndViewGear,
  turns: TurnsOf,
  { scale, x: left, y: top }: EndViewFrame,
  paper: EndViewPaper,
): void {
  const [p, q] = [centreOf(a, turns), centreOf(b, turns)];
  const apart = Math.hypot(q.x - p.x, q.y - p.y);
  const along = Math.atan2(q.y - p.y, q.x - p.x);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.radius - b.radius) / apart)));
  pen.place([scale, 0, 0, scale, left, top]);
  const runs = [1, -1].map((side) => {
    const angle = along + side * lean;
    return line(
      p.x + a.radius * Math.cos(angle),
      p.y + a.radius * Math.sin(angle),
      q.x + b.radius * Math.cos(angle),
      q.y + b.radius * Math.sin(angle),
    );
  });
  pen.draw(runs.join(''), { stroke: paper.ink, width: 1.6 / scale, dash: [5 / scale, 2.5 / scale] });
}
