import { centreOf, pitchesPast, poseOf, toothOutline, type Station, type TurnsOf, type Wheel } from '@/core/end-view';

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

export interface Paper {
  readonly power: string;
  readonly paper: string;
  readonly ink: string;
}

/** From the station's own units to pixels of the canvas. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** Teeth finer than this, in pixels per module, are a circle. */
const FINEST = 0.9;

/** The view in which a station fits a canvas. */
export function fitView({ bounds }: Station, width: number, height: number, margin: number): View {
  const scale = Math.min((width - 2 * margin) / (bounds.right - bounds.left), (height - 2 * margin) / (bounds.bottom - bounds.top));
  return { scale, x: width / 2 - (scale * (bounds.left + bounds.right)) / 2, y: height / 2 - (scale * (bounds.top + bounds.bottom)) / 2 };
}

export function paintStation(context: CanvasRenderingContext2D, { wheels, chains }: Station, phases: readonly number[], turns: TurnsOf, view: View, inks: readonly WheelInk[], paper: Paper): void {
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, context.canvas.width, context.canvas.height);
  for (const { a, b } of chains) paintChain(context, wheels[a]!, wheels[b]!, turns, view, paper);
  // Rings first, so that what runs in them lies on top.
  const order = wheels.map((_, i) => i).sort((a, b) => Number(wheels[b]!.shape === 'ring') - Number(wheels[a]!.shape === 'ring'));
  for (const i of order) paintWheel(context, wheels[i]!, phases[i]!, turns, view, inks[i]!, paper);
}

function paintWheel(context: CanvasRenderingContext2D, wheel: Wheel, phase: number, turns: TurnsOf, { scale, x: left, y: top }: View, ink: WheelInk, paper: Paper): void {
  const pose = poseOf(wheel, turns, phase);
  const size = scale * wheel.module;
  const [sin, cos] = [Math.sin(pose.angle), Math.cos(pose.angle)];
  context.setTransform(cos * size, sin * size, -sin * size, cos * size, left + scale * pose.x, top + scale * pose.y);
  context.globalAlpha = ink.out ? 0.3 : 1;
  context.strokeStyle = ink.powered ? paper.power : ink.color;
  context.fillStyle = ink.color;
  context.lineWidth = (ink.lit ? 2.6 : 1.3) / size;
  if (wheel.shape === 'worm') paintWorm(context, pitchesPast(wheel, turns), ink);
  else if (wheel.shape === 'bevel planet') paintBevelPlanet(context, wheel, pitchesPast(wheel, turns), ink);
  else paintTeeth(context, wheel, size, ink, paper);
  context.globalAlpha = 1;
}

function paintTeeth(context: CanvasRenderingContext2D, { teeth, shape }: Wheel, size: number, ink: WheelInk, paper: Paper): void {
  const ring = shape === 'ring';
  const path = shape === 'smooth' ? circle(teeth / 2) : size < FINEST ? (ring ? rimOf(teeth) : circle(teeth / 2)) : outlinePath(teeth, ring, size > 7 ? 7 : size > 3 ? 4 : 2);
  fill(context, ink, () => context.fill(path, 'evenodd'));
  context.stroke(path);
  if (!ring) {
    // Hub, and one spoke's worth of asymmetry: a wheel without a mark still shows that it turns.
    const hub = Math.min(teeth * 0.14, Math.max(1.1, teeth * 0.09));
    context.fillStyle = paper.paper;
    context.beginPath();
    context.arc(0, 0, hub, 0, 2 * Math.PI);
    context.fill();
    context.stroke();
    context.beginPath();
    context.moveTo(hub, 0);
    context.lineTo(hub + Math.max(0.5, teeth * 0.06), 0);
    context.stroke();
  }
  if (ink.marked) {
    context.fillStyle = paper.ink;
    context.beginPath();
    context.arc((ring ? 1 : -1) * 1.9 + teeth / 2, 0, Math.max(0.7, 3.4 / size), 0, 2 * Math.PI);
    context.fill();
  }
}

const WORM = { half: 4, long: 11 };

/** A worm from its side, its thread wandering along it. */
function paintWorm(context: CanvasRenderingContext2D, past: number, ink: WheelInk): void {
  const box = new Path2D();
  box.rect(-WORM.long, -WORM.half, 2 * WORM.long, 2 * WORM.half);
  fill(context, ink, () => context.fill(box));
  context.stroke(box);
  context.save();
  context.clip(box);
  context.beginPath();
  for (let at = -WORM.long - Math.PI * (2 - (past - Math.floor(past))); at < WORM.long + 3; at += Math.PI) {
    context.moveTo(at, WORM.half);
    context.lineTo(at + Math.PI / 2, -WORM.half);
  }
  context.stroke();
  context.restore();
}

/** A bevel planet edge-on: its teeth come past as lines. It lies along its carrier's arm. */
function paintBevelPlanet(context: CanvasRenderingContext2D, { teeth }: Wheel, past: number, ink: WheelInk): void {
  const half = teeth / 2;
  const box = new Path2D();
  box.rect(-half * 0.35, -half, half * 0.7, 2 * half);
  fill(context, ink, () => context.fill(box));
  context.stroke(box);
  context.save();
  context.clip(box);
  context.beginPath();
  const visible = Math.max(4, Math.round(teeth / 2));
  for (let i = 0; i <= visible; i++) {
    // Teeth on the near half of the wheel, foreshortened towards its edges.
    const at = -half * Math.cos((Math.PI * (i + past - Math.floor(past))) / visible);
    context.moveTo(-half * 0.35, at);
    context.lineTo(half * 0.35, at);
  }
  context.stroke();
  context.restore();
}

function paintChain(context: CanvasRenderingContext2D, a: Wheel, b: Wheel, turns: TurnsOf, { scale, x: left, y: top }: View, paper: Paper): void {
  const [p, q] = [centreOf(a, turns), centreOf(b, turns)];
  const apart = Math.hypot(q.x - p.x, q.y - p.y);
  const along = Math.atan2(q.y - p.y, q.x - p.x);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.radius - b.radius) / apart)));
  context.setTransform(scale, 0, 0, scale, left, top);
  context.strokeStyle = paper.ink;
  context.lineWidth = 1.6 / scale;
  context.setLineDash([5 / scale, 2.5 / scale]);
  context.beginPath();
  for (const side of [1, -1]) {
    const angle = along + side * lean;
    context.moveTo(p.x + a.radius * Math.cos(angle), p.y + a.radius * Math.sin(angle));
    context.lineTo(q.x + b.radius * Math.cos(angle), q.y + b.radius * Math.sin(angle));
  }
  context.stroke();
  context.setLineDash([]);
}

function fill(context: CanvasRenderingContext2D, { lit, out }: WheelInk, run: () => void): void {
  context.globalAlpha = (lit ? 0.42 : 0.17) * (out ? 0.5 : 1);
  run();
  context.globalAlpha = out ? 0.3 : 1;
}

const paths = new Map<string, Path2D>();
const KEPT_PATHS = 400;

function kept(key: string, make: () => Path2D): Path2D {
  const found = paths.get(key);
  if (found) return found;
  if (paths.size >= KEPT_PATHS) paths.delete(paths.keys().next().value!);
  const fresh = make();
  paths.set(key, fresh);
  return fresh;
}

/** A gear's outline in modules; a ring with its outer edge. */
const outlinePath = (teeth: number, ring: boolean, flankPoints: number): Path2D =>
  kept(`${teeth} ${ring} ${flankPoints}`, () => {
    const path = ring ? rim(teeth) : new Path2D();
    toothOutline(teeth, ring, flankPoints).forEach(({ x, y }, i) => (i === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
    path.closePath();
    return path;
  });

const circle = (radius: number): Path2D =>
  kept(`circle ${radius}`, () => {
    const path = new Path2D();
    path.arc(0, 0, radius, 0, 2 * Math.PI);
    return path;
  });

/** A ring's outer edge. */
function rim(teeth: number): Path2D {
  const path = new Path2D();
  const radius = teeth / 2 + 3.6;
  path.moveTo(radius, 0);
  path.arc(0, 0, radius, 0, 2 * Math.PI);
  path.closePath();
  return path;
}

const rimOf = (teeth: number): Path2D =>
  kept(`rim ${teeth}`, () => {
    const path = rim(teeth);
    path.moveTo(teeth / 2, 0);
    path.arc(0, 0, teeth / 2, 0, 2 * Math.PI);
    return path;
  });
