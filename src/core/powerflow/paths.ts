import { FRAME_INDEX } from '../kinematics';
import { add, compare, div, isZero, mul, neg, sign, sub, sum, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { rollingSpeed } from '../statics';
import { contributions } from './contributions';

/**
 * A stop on a power path: a member, or what passes power between members: a joint, a mesh on the frame,
 * or a whole set (all meshes on one carrier).
 */
export type Stop = { readonly kind: 'member' | 'joint' | 'mesh' | 'set'; readonly id: string };

export interface PowerPath {
  readonly stops: readonly Stop[];
  /** Part of the input power that goes this way. */
  readonly share: Rational;
}

export interface PowerFlow {
  /** From driver to loads, largest share first. */
  readonly paths: readonly PowerPath[];
  /** Power that goes round in a loop, per unit of input power, besides what goes through. */
  readonly recirculating: readonly PowerPath[];
}

interface Edge {
  readonly from: string;
  readonly to: string;
  power: Rational;
}

const SOURCE = 'source';
const SINK = 'sink';
const MAX_PATHS = 256;

/**
 * Splits the flow of power into paths. Members and elements are nodes; an element takes power from the
 * members that drive it and gives it to those it drives. Loops are taken out first (they recirculate), then
 * paths from the input, widest first. Null where a torque is shared, or where nothing is carried.
 */
export function powerFlow(solved: Solved): PowerFlow | null {
  const edges = powerEdges(solved);
  if (!edges) return null;
  const stops = new Map<string, Stop>();
  for (const edge of edges)
    for (const node of [edge.from, edge.to]) if (node !== SOURCE && node !== SINK) stops.set(node, stopOf(node));
  const put = sum(edges.filter((edge) => edge.from === SOURCE).map((edge) => edge.power));
  if (isZero(put)) return null;
  const taken = (nodes: readonly string[], power: Rational): PowerPath => ({
    stops: nodes.flatMap((node) => stops.get(node) ?? []),
    share: div(power, put),
  });
  const recirculating: PowerPath[] = [];
  for (let loop = findLoop(edges); loop && recirculating.length < MAX_PATHS; loop = findLoop(edges)) {
    const round = taken(
      loop.map((edge) => edge.from),
      takeOut(loop),
    );
    // Torque that closes on itself inside parts that turn as one body moves nothing against anything.
    if (round.stops.some((stop) => rolls(solved, stop))) recirculating.push(round);
  }
  const paths: PowerPath[] = [];
  for (let path = widestPath(edges); path && paths.length < MAX_PATHS; path = widestPath(edges)) {
    paths.push(taken([SOURCE, ...path.map((edge) => edge.to)], takeOut(path)));
  }
  return { paths: paths.sort((a, b) => compare(b.share, a.share)), recirculating };
}

/** Does anything roll in what a path goes through? Joints and sets that turn as one block pass power on as a solid body does. */
function rolls({ network, state }: Solved, { kind, id }: Stop): boolean {
  if (kind === 'member' || kind === 'joint') return false;
  return state.meshes.some((mesh) => {
    if (kind === 'mesh' ? mesh.mesh.id !== id : network.memberIds[mesh.arm] !== id) return false;
    const speed = rollingSpeed(state.speeds, mesh);
    return speed === null || !isZero(speed);
  });
}

const SEPARATOR = '\u0000';
const nodeOf = (kind: Stop['kind'], id: string): string => `${kind}${SEPARATOR}${id}`;
function stopOf(node: string): Stop {
  const [kind, id] = node.split(SEPARATOR);
  return { kind: kind as Stop['kind'], id: id! };
}

/** The directed flows between members and elements; null when any is unknown. */
function powerEdges(solved: Solved): Edge[] | null {
  const { network, state } = solved;
  const setOf = new Map(state.meshes.map(({ mesh, arm }) => [mesh.id, arm]));
  const flows = new Map<string, Map<string, Rational>>();
  const acting = contributions(solved);
  const tapped = new Set(
    acting.flatMap(({ member, source }) =>
      source.kind === 'mesh' && setOf.get(source.id) !== FRAME_INDEX ? [] : [member],
    ),
  );
  for (const { member, source, torque } of acting) {
    const speed = state.speeds.of(member);
    if (torque === null || speed === null) return null;
    const power = mul(torque, speed);
    const arm = source.kind === 'mesh' ? setOf.get(source.id)! : FRAME_INDEX;
    const element =
      source.kind === 'input'
        ? SOURCE
        : source.kind === 'output'
          ? SINK
          : source.kind === 'joint'
            ? nodeOf('joint', source.id)
            : arm === FRAME_INDEX
              ? nodeOf('mesh', source.id)
              : nodeOf('set', network.memberIds[arm]!);
    // A planet only passes power on inside its set, unless something else takes power from it or gives it some.
    const planet = arm !== FRAME_INDEX && network.train.members[member]!.carrier === network.memberIds[arm]!;
    if (planet && !tapped.has(member)) continue;
    const name = nodeOf('member', network.memberIds[member]!);
    const perMember = flows.get(element) ?? new Map<string, Rational>();
    perMember.set(name, add(perMember.get(name) ?? ZERO, power));
    flows.set(element, perMember);
  }
  const edges: Edge[] = [];
  for (const [element, perMember] of flows) {
    for (const [member, power] of perMember) {
      if (isZero(power)) continue;
      // What pushes power out of the train at the input (coasting) is its sink, and a pushing load its source.
      const end = element === SOURCE || element === SINK ? (sign(power) > 0 ? SOURCE : SINK) : element;
      edges.push(sign(power) > 0 ? { from: end, to: member, power } : { from: member, to: end, power: neg(power) });
    }
  }
  return edges;
}

/** Takes the narrowest part of these edges out of all of them. */
function takeOut(edges: readonly Edge[]): Rational {
  const least = edges.map((edge) => edge.power).reduce((a, b) => (compare(a, b) <= 0 ? a : b));
  for (const edge of edges) edge.power = sub(edge.power, least);
  return least;
}

const live = (edges: readonly Edge[], from: string): Edge[] =>
  edges.filter((edge) => edge.from === from && !isZero(edge.power));

function findLoop(edges: readonly Edge[]): Edge[] | null {
  const done = new Set<string>();
  const visit = (node: string, trail: Edge[], onTrail: Set<string>): Edge[] | null => {
    for (const edge of live(edges, node)) {
      if (onTrail.has(edge.to))
        return [...trail, edge].slice([...trail, edge].findIndex((step) => step.from === edge.to));
      if (done.has(edge.to)) continue;
      const found = visit(edge.to, [...trail, edge], new Set([...onTrail, edge.to]));
      if (found) return found;
    }
    done.add(node);
    return null;
  };
  for (const start of new Set(edges.map((edge) => edge.from))) {
    const loop = done.has(start) ? null : visit(start, [], new Set([start]));
    if (loop) return loop;
  }
  return null;
}

/** The path from source to sink whose narrowest edge is widest; the graph has no loops by now. */
function widestPath(edges: readonly Edge[]): Edge[] | null {
  const best = new Map<string, { width: Rational; path: Edge[] } | null>();
  const search = (node: string): { width: Rational; path: Edge[] } | null => {
    if (best.has(node)) return best.get(node)!;
    let found: { width: Rational; path: Edge[] } | null = null;
    for (const edge of live(edges, node)) {
      const rest = edge.to === SINK ? { width: edge.power, path: [] } : search(edge.to);
      if (!rest) continue;
      const width = compare(edge.power, rest.width) < 0 ? edge.power : rest.width;
      if (!found || compare(width, found.width) > 0) found = { width, path: [edge, ...rest.path] };
    }
    best.set(node, found);
    return found;
  };
  return search(SOURCE)?.path ?? null;
}
