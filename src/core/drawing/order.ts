import type { Gear } from '../train';
import { halfPlane } from './half-plane';
import type { DrawingPlan, Figure } from './plan';
import { routeHalfPlane } from './routing/route';

/** Orders looked at roughly; the first without a crossing is taken, else the best of them are looked at in full. */
const MAX_TRIES = 24;
/** Among more sets than this a few tries would find nothing. */
const MOST_SETS = 6;
const ROUGH_ROUNDS = 2;
const FINALISTS = 3;
/** Rounds of negotiation for a drawing that is kept. */
export const ROUNDS = 14;

/**
 * The figures from left to right. Given stations win, then an order handed in (what the drawing had before), else the one in which
 * the lines cross least is looked for among the permutations, starting from the walk of the power.
 */
function orderFigures(plan: DrawingPlan, wanted: readonly string[] | undefined, barRows: (gear: Gear) => number): readonly Figure[] {
  const walked = walkFromInput(plan);
  const station = (figure: Figure) => gearsOf(figure).find((gear) => gear.station !== undefined)?.station;
  if (plan.figures.some((figure) => station(figure) !== undefined)) {
    return walked.map((figure, i) => ({ figure, at: station(figure) ?? i, i })).sort((a, b) => a.at - b.at || a.i - b.i).map(({ figure }) => figure);
  }
  if (wanted && wanted.length === walked.length && walked.every(({ key }) => wanted.includes(key))) {
    return [...walked].sort((a, b) => wanted.indexOf(a.key) - wanted.indexOf(b.key));
  }
  const sets = walked.filter((figure) => figure.kind !== 'bars');
  if (sets.length < 2 || sets.length > MOST_SETS) return walked;
  const tried: Tried[] = [];
  for (const order of permutations(walked)) {
    if (tried.length >= MAX_TRIES) break;
    const rough = tryOrder(plan, order, barRows, ROUGH_ROUNDS);
    if (rough.nests) return order;
    tried.push(rough);
  }
  const [first, ...others] = tried.sort((a, b) => a.cost - b.cost).slice(0, FINALISTS).map(({ order }) => tryOrder(plan, order, barRows, ROUNDS));
  return others.reduce((best, next) => (next.cost < best.cost ? next : best), first!).order;
}

interface Tried {
  readonly order: readonly Figure[];
  readonly cost: number;
  /** No line crosses another: the parts can be built in this order. */
  readonly nests: boolean;
}

/** Drawings are asked for again and again with the same parts in other words; the search is worth remembering. */
const remembered = new Map<string, readonly string[]>();
const REMEMBERED = 100;

/** orderFigures, remembered for the same figures, couplers and ends. */
export function rememberedOrder(plan: DrawingPlan, wanted: readonly string[] | undefined, barRows: (gear: Gear) => number): readonly Figure[] {
  const { train, figures } = plan;
  const key = JSON.stringify([figures.map((figure) => [figure.key, gearsOf(figure).map(({ member, station }) => [member, station])]), train.couplers.map((coupler) => ('joins' in coupler ? coupler.joins : coupler.mesh)), train.input, train.outputs]);
  const order = orderFigures(plan, remembered.get(key) ?? wanted, barRows);
  if (remembered.size >= REMEMBERED) remembered.delete(remembered.keys().next().value!);
  remembered.set(key, order.map((figure) => figure.key));
  return order;
}

function tryOrder(plan: DrawingPlan, order: readonly Figure[], barRows: (gear: Gear) => number, rounds: number): Tried {
  const axes = new Set(order.flatMap((figure) => (figure.kind === 'bars' ? [] : [figure.axis])));
  const routed = [...axes].map((axis) => routeHalfPlane(halfPlane(plan, axis, order, barRows), plan.train, rounds));
  return { order, cost: routed.reduce((total, { cost }) => total + cost, 0), nests: routed.every(({ faults, crossings }) => faults === 0 && crossings.length === 0) };
}

export const gearsOf = (figure: Figure): readonly Gear[] =>
  figure.kind === 'bars' ? figure.gears
  : figure.kind === 'bevel' ? [figure.left, figure.planet, figure.right]
  : figure.planes.flatMap((plane) => [plane.sun, ...plane.planets, plane.ring].filter((gear) => gear !== null));

/** Breadth first from the input: figures in the order in which power can reach them. */
function walkFromInput({ train, figures }: DrawingPlan): Figure[] {
  const reached = new Set([train.input]);
  const left = new Set(figures);
  const order: Figure[] = [];
  const touches = (figure: Figure) => membersOf(figure).some((member) => reached.has(member));
  while (left.size > 0) {
    const next = [...left].find(touches) ?? [...left][0]!;
    left.delete(next);
    order.push(next);
    membersOf(next).forEach((member) => reached.add(member));
    for (const coupler of train.couplers) if ('joins' in coupler && coupler.joins.some((id) => reached.has(id))) coupler.joins.forEach((id) => reached.add(id));
  }
  return order;
}

const membersOf = (figure: Figure): string[] => [...gearsOf(figure).map((gear) => gear.member), ...(figure.kind === 'bars' ? [] : [figure.carrier])];

/** All orders, those nearest the given one first; lazily, for there may be far too many. */
function* permutations<T>(items: readonly T[]): Generator<readonly T[]> {
  if (items.length <= 1) {
    yield items;
    return;
  }
  for (let i = 0; i < items.length; i++) {
    for (const rest of permutations([...items.slice(0, i), ...items.slice(i + 1)])) yield [items[i]!, ...rest];
  }
}
