import { gearOutline, toothForm, type Loop, type LoopPoint, type ToothSpec } from '@/core/shapes';

/** What two outlines do when they are laid on each other and turned: no formula of gears is used. */
export interface Rolled {
  /** Along the working circle: how far the second wheel can be turned while the first is held. */
  readonly backlashMm: number;
  /** How many pairs of teeth touch, on average over a pitch. */
  readonly contactRatio: number;
  /** Do they overlap anywhere while they turn through a pitch, flanks together? */
  readonly overlaps: boolean;
}

const CHORD = 1e-3;
const PHASES = 16;
/** Halvings of the way in which a wheel is found to be free. */
const HALVINGS = 14;

/** Two wheels on centres so far apart; of a ring the second. */
export function roll(one: ToothSpec, two: ToothSpec, centreMm: number): Rolled {
  const internal = two.internal === true;
  const first = toothed(one, 0);
  const second = toothed(two, internal ? 0 : -Math.PI / two.teeth);
  // A tooth of the first points at a space of the second.
  const facing = internal ? 0 : Math.PI + Math.PI / two.teeth;
  const place = (turn: number): Loop => moved(second, facing + turn, internal ? -centreMm : centreMm);
  const reach = toothForm(two).tipRadius;
  const ownReach = toothForm(one).tipRadius;
  const near = ({ x, y }: LoopPoint) =>
    internal ? Math.hypot(x + centreMm, y) > reach - 1e-9 : Math.hypot(x - centreMm, y) < reach + 1e-9;
  const collides = (turn: number, mateTurn: number): boolean => {
    const own = moved(first, turn, 0);
    const mate = place(mateTurn);
    const inOwn = mate.filter((p) => Math.hypot(p.x, p.y) < ownReach && isInside(p, own));
    if (internal) return own.some((p) => near(p) && !isInside(p, mate)) || inOwn.length > 0;
    return own.some((p) => near(p) && isInside(p, mate)) || inOwn.length > 0;
  };
  const pitch = (2 * Math.PI) / two.teeth;
  const limit = (side: 1 | -1): number => {
    let [free, stuck] = [0, side * pitch];
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (free + stuck) / 2;
      if (collides(0, middle)) stuck = middle;
      else free = middle;
    }
    return free;
  };
  const [back, ahead] = [limit(-1), limit(1)];
  const working = (centreMm * two.teeth) / Math.abs(two.teeth + (internal ? -one.teeth : one.teeth));
  const ratio = (internal ? 1 : -1) * (one.teeth / two.teeth);
  const touching = [0, 0];
  let overlaps = false;
  for (let i = 0; i < PHASES; i++) {
    const turn = ((i + 0.5) / PHASES) * ((2 * Math.PI) / one.teeth);
    const own = moved(first, turn, 0);
    const mateTurn = turn * ratio + ahead;
    // As little apart as chords may be wrong.
    if (collides(turn, mateTurn - (4 * CHORD) / working)) overlaps = true;
    pairsTouching(own, place(mateTurn), one.teeth, turn, 2 * CHORD).forEach((count, side) => {
      touching[side]! += count / PHASES;
    });
  }
  return { backlashMm: (ahead - back) * working, contactRatio: Math.max(...touching), overlaps };
}

/** Teeth of the first wheel of which the left and the right flank are no farther from the second than that. */
function pairsTouching(own: Loop, mate: Loop, teeth: number, turn: number, within: number): readonly [number, number] {
  const pitch = (2 * Math.PI) / teeth;
  const found = { left: new Set<number>(), right: new Set<number>() };
  for (const p of own) {
    if (!isWithin(p, mate, within)) continue;
    const at = (Math.atan2(p.y, p.x) - turn) / pitch;
    found[at > Math.round(at) ? 'left' : 'right'].add(Math.round(at));
  }
  return [found.left.size, found.right.size];
}

/** The teeth next to the place where a wheel meets its mate, two on either side, closed through its centre. */
function toothed(spec: ToothSpec, towards: number): Loop {
  const loop = spec.internal ? [...gearOutline(spec, CHORD)].reverse() : gearOutline(spec, CHORD);
  const half = (5 * Math.PI) / spec.teeth;
  const off = ({ x, y }: LoopPoint) => {
    const turn = Math.atan2(y, x) - towards;
    return Math.atan2(Math.sin(turn), Math.cos(turn));
  };
  const near = loop.filter((p) => Math.abs(off(p)) < half);
  // A loop begins somewhere: from behind its break.
  const cut = near.findIndex((p, i) => i > 0 && Math.abs(off(p) - off(near[i - 1]!)) > half);
  const inOrder = cut < 0 ? near : [...near.slice(cut), ...near.slice(0, cut)];
  return [...inOrder, { x: 0, y: 0 }];
}

const moved = (loop: Loop, turn: number, dx: number): Loop =>
  loop.map(({ x, y }) => ({
    x: x * Math.cos(turn) - y * Math.sin(turn) + dx,
    y: x * Math.sin(turn) + y * Math.cos(turn),
  }));

function isInside({ x, y }: LoopPoint, loop: Loop): boolean {
  let inside = false;
  for (let i = 0, k = loop.length - 1; i < loop.length; k = i++) {
    const [a, b] = [loop[i]!, loop[k]!];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

function isWithin(p: LoopPoint, loop: Loop, distance: number): boolean {
  for (let i = 0, k = loop.length - 1; i < loop.length; k = i++) {
    const [a, b] = [loop[i]!, loop[k]!];
    const [low, high] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
    if (p.y < low - distance || p.y > high + distance) continue;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
    const [x, y] = [p.x - a.x - t * dx, p.y - a.y - t * dy];
    if (x * x + y * y <= distance * distance) return true;
  }
  return false;
}

/** Is a gear in its ring's material anywhere, while it runs, and on its way in along the line of centres? */
export function stuckInRing(gear: ToothSpec, ring: ToothSpec, centreMm: number): { running: boolean; wayIn: boolean } {
  const own = gearOutline(gear, CHORD);
  const hole = [...gearOutline(ring, CHORD)].reverse();
  const least = toothForm(ring).tipRadius;
  const isStuck = (turn: number, distance: number) => {
    const there = moved(hole, (turn * gear.teeth) / ring.teeth, 0);
    return moved(own, turn, distance).some(
      (p) => Math.hypot(p.x, p.y) > least && !isInside(p, there) && !isWithin(p, there, 4 * CHORD),
    );
  };
  const phases = Array.from({ length: 6 }, (_, i) => (i / 6) * ((2 * Math.PI) / gear.teeth));
  const ways = Array.from({ length: 30 }, (_, i) => centreMm * (1 - i / 40));
  return {
    running: phases.some((turn) => isStuck(turn, centreMm)),
    wayIn: ways.some((distance) => isStuck(0, distance)),
  };
}
