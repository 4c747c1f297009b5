import type { MemberLines, PartOnMember, Point, SideView } from './geometry';
import { lookUp } from '../required';

/**
 * Power that a member receives from (negative: gives to) a part on it, per unit of input power; null where it is open.
 */
export interface PowerAt {
  readonly member: string;
  readonly part: PartOnMember;
  readonly power: number | null;
}

/**
 * A straight stretch of a member's line that carries power, from where to where it flows; share and direction are open
 * where parallel ways share it.
 */
export interface PowerLine {
  readonly member: string;
  readonly from: Point;
  readonly to: Point;
  readonly share: number | null;
}

const NOTHING = 1e-9;

/**
 * Which stretches of the members' lines carry power, how much, and which way. A member's lines are a tree; what flows
 * through a link is the sum of what the parts beyond it put in (conservation of power on a rigid member), or what those
 * on this side take. It is open where parts on both sides are. A link that closes a ring carries none.
 */
export function powerLines(
  { lines, attachments }: Pick<SideView, 'lines' | 'attachments'>,
  powers: readonly PowerAt[],
): PowerLine[] {
  const keyOf = ({ member, part }: { member: string; part: PartOnMember }) =>
    JSON.stringify([member, part.kind, part.id]);
  const places = new Map(attachments.map((attachment) => [keyOf(attachment), attachment.at]));
  const putAt = new Map<string, Map<string, Put>>();
  for (const { member, part, power } of powers) {
    const at = places.get(keyOf({ member, part }));
    if (!at) continue;
    const own = putAt.get(member) ?? new Map<string, Put>();
    own.set(pointKey(at), plus(own.get(pointKey(at)), power === null ? OPEN : { known: power, open: 0 }));
    putAt.set(member, own);
  }
  return lines.flatMap((own) => {
    const put = putAt.get(own.member);
    return put ? mergeRuns(own.member, flowsInTree(own, put)) : [];
  });
}

const pointKey = ({ x, y }: Point): string => `${x},${y}`;

/** Power put in by several parts: what is known of it, and how many are open. */
interface Put {
  readonly known: number;
  readonly open: number;
}
const NONE: Put = { known: 0, open: 0 };
const OPEN: Put = { known: 0, open: 1 };
const plus = (a: Put = NONE, b: Put = NONE): Put => ({ known: a.known + b.known, open: a.open + b.open });

type FlowingLink = Omit<PowerLine, 'member'>;

/** The flow through every link of one member: leaves first, each passing what it received on to where it hangs. */
function flowsInTree({ links }: MemberLines, put: ReadonlyMap<string, Put>): FlowingLink[] {
  const neighbours = new Map<string, { at: Point; next: Point[] }>();
  const join = (a: Point, b: Point) =>
    neighbours.set(pointKey(a), { at: a, next: [...(neighbours.get(pointKey(a))?.next ?? []), b] });
  for (const { x1, y1, x2, y2 } of links) {
    join({ x: x1, y: y1 }, { x: x2, y: y2 });
    join({ x: x2, y: y2 }, { x: x1, y: y1 });
  }
  const seen = new Set<string>();
  const flows: FlowingLink[] = [];
  for (const root of neighbours.keys()) {
    if (seen.has(root)) continue;
    seen.add(root);
    const walk: { key: string; hangsOn: string | null }[] = [{ key: root, hangsOn: null }];
    for (const { key } of walk) {
      for (const next of lookUp(neighbours, key).next) {
        if (seen.has(pointKey(next))) continue;
        seen.add(pointKey(next));
        walk.push({ key: pointKey(next), hangsOn: key });
      }
    }
    const gathered = new Map(walk.map(({ key }) => [key, put.get(key) ?? NONE]));
    const whole = [...gathered.values()].reduce(plus, NONE);
    for (const { key, hangsOn } of walk.reverse()) {
      if (hangsOn === null) continue;
      const beyond = lookUp(gathered, key);
      gathered.set(hangsOn, plus(gathered.get(hangsOn), beyond));
      const share = throughLink(beyond, whole);
      if (share !== null && Math.abs(share) < NOTHING) continue;
      const [from, to] = share === null || share > 0 ? [key, hangsOn] : [hangsOn, key];
      flows.push({ from: lookUp(neighbours, from).at, to: lookUp(neighbours, to).at, share: share && Math.abs(share) });
    }
  }
  return flows;
}

/**
 * What flows through a link towards the root: what is put in beyond it, or what is taken on this side; null where both
 * are open.
 */
function throughLink(beyond: Put, whole: Put): number | null {
  if (beyond.open === 0) return beyond.known;
  return whole.open === beyond.open ? beyond.known - whole.known : null;
}

const alike = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) < NOTHING;

/** Links that run straight on with the same flow become one stretch. */
function mergeRuns(member: string, flows: readonly FlowingLink[]): PowerLine[] {
  const way = ({ from, to }: FlowingLink) => `${Math.sign(to.x - from.x)},${Math.sign(to.y - from.y)}`;
  const starting = new Map<string, FlowingLink[]>();
  for (const flow of flows) starting.set(pointKey(flow.from), [...(starting.get(pointKey(flow.from)) ?? []), flow]);
  const follows = (flow: FlowingLink) =>
    (starting.get(pointKey(flow.to)) ?? []).find((next) => way(next) === way(flow) && alike(next.share, flow.share));
  const continued = new Set(flows.flatMap((flow) => follows(flow) ?? []));
  return flows
    .filter((flow) => !continued.has(flow))
    .map((first) => {
      let last = first;
      for (let next = follows(last); next; next = follows(last)) last = next;
      return { member, from: first.from, to: last.to, share: first.share };
    });
}
