import { gearsOf, type Figure, type Structure } from '../structure';
import { isGoodEnough, type DrawingDraft, type Drafts } from './drafts';
import type { Effort } from './effort';
import { halfPlane } from './half-plane';
import { routeHalfPlane, ROUNDS } from './routing/negotiation';
import { itemAt, required } from '../required';

/** Orders looked at roughly; the first without a crossing is taken, else the best of them are looked at in full. */
const MAX_TRIES = 24;
/** Among more sets than this a few tries would find nothing. */
const MOST_SETS = 6;
/** The search for an order leaves some of the effort for the drawing itself. */
const SHARE = 0.7;
const ROUGH_ROUNDS = 2;
const FINALISTS = 3;
/** Rows that a fixed gear is taken to be high while orders are compared. */
const BAR_ROWS = 5;

/**
 * The figures from left to right. Given stations win, then an order handed in (what the drawing had before), else the
 * one in which the lines cross least is looked for among the permutations, starting from the walk of the power.
 */
export function orderFigures(
  plan: Structure,
  wanted: readonly string[] | undefined,
  drafts: Drafts,
  effort: Effort,
): DrawingDraft<readonly Figure[]> {
  const walked = walkFromInput(plan);
  const given = (work: readonly Figure[]): DrawingDraft<readonly Figure[]> => ({
    work,
    finished: true,
    allowed: effort.allowed,
  });
  const station = (figure: Figure) => gearsOf(figure).find((gear) => gear.station !== undefined)?.station;
  if (plan.figures.some((figure) => station(figure) !== undefined)) {
    return given(
      walked
        .map((figure, i) => ({ figure, at: station(figure) ?? i, i }))
        .sort((a, b) => a.at - b.at || a.i - b.i)
        .map(({ figure }) => figure),
    );
  }
  const inOrder = (keys: readonly string[]) => [...walked].sort((a, b) => keys.indexOf(a.key) - keys.indexOf(b.key));
  const key = structureOf(plan);
  const known = drafts.order(key);
  if (known?.finished) return { ...known, work: inOrder(known.work) };
  const fits =
    wanted !== undefined && wanted.length === walked.length && walked.every((figure) => wanted.includes(figure.key));
  if (!fits && isGoodEnough(known, effort.allowed)) return { ...known, work: inOrder(known.work) };
  const found = fits ? given(inOrder(wanted)) : searchOrder(plan, walked, effort);
  drafts.keepOrder(key, { ...found, work: found.work.map((figure) => figure.key) });
  return found;
}

function searchOrder(plan: Structure, walked: readonly Figure[], effort: Effort): DrawingDraft<readonly Figure[]> {
  const { allowed } = effort;
  const sets = walked.filter((figure) => figure.kind !== 'bars');
  if (sets.length < 2 || sets.length > MOST_SETS) return { work: walked, finished: true, allowed };
  const reserve = allowed * (1 - SHARE);
  const tried: Tried[] = [];
  for (const order of permutations(walked)) {
    if (tried.length >= MAX_TRIES || effort.left <= reserve) break;
    const rough = tryOrder(plan, order, ROUGH_ROUNDS, effort);
    if (rough.nests) return { work: order, finished: true, allowed };
    tried.push(rough);
  }
  tried.sort((a, b) => a.cost - b.cost);
  let best = tried[0];
  for (const [i, { order }] of tried.slice(0, FINALISTS).entries()) {
    if (effort.left <= reserve) return { work: best?.order ?? walked, finished: false, allowed };
    const full = tryOrder(plan, order, ROUNDS, effort);
    if (i === 0 || full.cost < required(best).cost) best = full;
  }
  return { work: best?.order ?? walked, finished: effort.left > reserve, allowed };
}

interface Tried {
  readonly order: readonly Figure[];
  readonly cost: number;
  /** No line crosses another: the parts can be built in this order. */
  readonly nests: boolean;
}

/**
 * Two trains with the same structure stand in the same order: the same figures, couplers and ends, whatever their
 * counts and names.
 */
function structureOf({ train, figures }: Structure): string {
  const places = figures.map((figure) => [figure.key, gearsOf(figure).map(({ member }) => member)]);
  return JSON.stringify([
    places,
    train.couplers.map((coupler) => ('joins' in coupler ? coupler.joins : coupler.mesh)),
    train.input,
    train.outputs,
  ]);
}

function tryOrder(plan: Structure, order: readonly Figure[], rounds: number, effort: Effort): Tried {
  const axes = new Set(order.flatMap((figure) => (figure.kind === 'bars' ? [] : [figure.axis])));
  const routed = [...axes].map(
    (axis) =>
      routeHalfPlane(
        halfPlane(plan, axis, order, () => BAR_ROWS),
        plan.train,
        rounds,
        effort,
      ).work,
  );
  return {
    order,
    cost: routed.reduce((total, { cost }) => total + cost, 0),
    nests: routed.every(({ faults, crossings }) => faults === 0 && crossings.length === 0),
  };
}

/** Breadth first from the input: figures in the order in which power can reach them. */
function walkFromInput({ train, figures }: Structure): Figure[] {
  const reached = new Set([train.input]);
  const left = new Set(figures);
  const order: Figure[] = [];
  const touches = (figure: Figure) => membersOf(figure).some((member) => reached.has(member));
  while (left.size > 0) {
    const next = [...left].find(touches) ?? itemAt([...left], 0);
    left.delete(next);
    order.push(next);
    membersOf(next).forEach((member) => reached.add(member));
    for (const coupler of train.couplers)
      if ('joins' in coupler && coupler.joins.some((id) => reached.has(id)))
        coupler.joins.forEach((id) => reached.add(id));
  }
  return order;
}

const membersOf = (figure: Figure): string[] => [
  ...gearsOf(figure).map((gear) => gear.member),
  ...(figure.kind === 'bars' ? [] : [figure.carrier]),
];

/** All orders, those nearest the given one first; lazily, for there may be far too many. */
function* permutations<T>(items: readonly T[]): Generator<readonly T[]> {
  if (items.length <= 1) {
    yield items;
    return;
  }
  for (let i = 0; i < items.length; i++) {
    for (const rest of permutations([...items.slice(0, i), ...items.slice(i + 1)])) yield [itemAt(items, i), ...rest];
  }
}
