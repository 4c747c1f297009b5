import { compare, div, isZero, sub, sum, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { rollingSpeed } from '../statics';
import { accountOf, type Account } from './account';
import { powerEdges, SINK, SOURCE, type Edge, type Node, type Stop } from './flow-graph';

export interface PowerPath {
  readonly stops: readonly Stop[];
  /** Part of the input power that arrives this way; with losses that is less than what enters it. */
  readonly share: Rational;
}

export interface PowerFlow {
  /** From driver to loads, largest share first; none where nothing is carried. */
  readonly paths: readonly PowerPath[];
  /** Power that goes round in a loop, per unit of input power, besides what goes through. */
  readonly recirculating: readonly PowerPath[];
}

/**
 * Splits the flow of power into paths. Members and elements are nodes; an element takes power from the
 * members that drive it and gives it to those it drives. Loops are taken out first (they recirculate), then
 * paths from the input, widest first; each takes all that its narrowest edge has, so there are no more than edges.
 * Null where some power is open.
 */
export function powerFlow(solved: Solved): PowerFlow | null {
  const account = accountOf(solved);
  const edges = powerEdges(solved.network, account);
  if (!edges) return null;
  const put = sum(edges.flatMap(({ from, power }) => (from === SOURCE ? [power] : [])));
  if (isZero(put)) return { paths: [], recirculating: [] };
  const left: Left = new Map(edges.map((edge) => [edge, edge.power]));
  const taken = (nodes: readonly Node[], power: Rational): PowerPath => ({
    stops: nodes.flatMap((node) => (node === SOURCE || node === SINK ? [] : [node])),
    share: div(power, put),
  });
  const recirculating: PowerPath[] = [];
  for (let loop = findLoop(left); loop; loop = findLoop(left)) {
    const power = takeOut(left, loop);
    const round = taken(
      loop.map(({ from }) => from),
      power,
    );
    // Torque that closes on itself inside parts that turn as one body moves nothing against anything.
    if (round.stops.some((stop) => rolls(solved, account, stop))) recirculating.push(round);
  }
  const paths: PowerPath[] = [];
  for (let path = widestPath(left); path; path = widestPath(left)) {
    const power = takeOut(left, path);
    paths.push(
      taken(
        path.map(({ to }) => to),
        power,
      ),
    );
  }
  return { paths: paths.sort((a, b) => compare(b.share, a.share)), recirculating };
}

/** Does anything roll here? Joints and sets that turn as one block pass power on as a solid body does. */
function rolls({ state }: Solved, { setOfMesh }: Account, { kind, id }: Stop): boolean {
  if (kind === 'member' || kind === 'joint') return false;
  return state.meshes.some((mesh) => {
    if (kind === 'mesh' ? mesh.mesh.id !== id : setOfMesh.get(mesh.mesh.id)?.id !== id) return false;
    const speed = rollingSpeed(state.speeds, mesh);
    return speed === null || !isZero(speed);
  });
}

/** What is left of each edge while loops and paths are taken out. */
type Left = Map<Edge, Rational>;

/** Takes the narrowest part of these edges out of all of them. */
function takeOut(left: Left, edges: readonly Edge[]): Rational {
  const powers = edges.map((edge) => left.get(edge) ?? ZERO);
  const least = powers.reduce((a, b) => (compare(a, b) <= 0 ? a : b));
  edges.forEach((edge, i) => left.set(edge, sub(powers[i] ?? ZERO, least)));
  return least;
}

/** The edges that have power left, by where they start. */
function liveEdges(left: Left): ReadonlyMap<Node, readonly Edge[]> {
  const live = new Map<Node, Edge[]>();
  for (const [edge, power] of left) {
    if (isZero(power)) continue;
    const own = live.get(edge.from);
    if (own) own.push(edge);
    else live.set(edge.from, [edge]);
  }
  return live;
}

/** Some loop of edges that have power left, found depth first. */
function findLoop(left: Left): readonly Edge[] | null {
  const live = liveEdges(left);
  const done = new Set<Node>();
  const visit = (node: Node, trail: readonly Edge[]): readonly Edge[] | null => {
    for (const edge of live.get(node) ?? []) {
      const steps = [...trail, edge];
      const start = steps.findIndex(({ from }) => from === edge.to);
      if (start >= 0) return steps.slice(start);
      if (done.has(edge.to)) continue;
      const found = visit(edge.to, steps);
      if (found) return found;
    }
    done.add(node);
    return null;
  };
  for (const start of live.keys()) {
    const loop = done.has(start) ? null : visit(start, []);
    if (loop) return loop;
  }
  return null;
}

/** The path from source to sink whose narrowest edge is widest; the graph has no loops by now. */
function widestPath(left: Left): readonly Edge[] | null {
  const live = liveEdges(left);
  const best = new Map<Node, Way | null>();
  const search = (node: Node): Way | null => {
    const known = best.get(node);
    if (known !== undefined) return known;
    let found: Way | null = null;
    for (const edge of live.get(node) ?? []) {
      const rest: Way | null = edge.to === SINK ? { width: null, path: [] } : search(edge.to);
      if (!rest) continue;
      const power = left.get(edge) ?? ZERO;
      const width = rest.width === null || compare(power, rest.width) < 0 ? power : rest.width;
      if (!found?.width || compare(width, found.width) > 0) found = { width, path: [edge, ...rest.path] };
    }
    best.set(node, found);
    return found;
  };
  return search(SOURCE)?.path ?? null;
}

/** A way on to the sink; its width is null where nothing narrows it yet. */
interface Way {
  readonly width: Rational | null;
  readonly path: readonly Edge[];
}
