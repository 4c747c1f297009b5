import type { Problem } from './problem';
import { FRAME } from './frame';
import type { Coupler, Gear, Member, Mesh, Train } from './schema';
import { isChained } from './gear-kinds';

/**
 * The rules that tie the parts of a document together, and the first so many places where it breaks them. An empty list
 * means that it holds.
 */
export function ruleProblems(train: Train, most: number): Problem[] {
  const found: Problem[] = [];
  const say = (path: Problem['path'], message: string) => void (found.length < most && found.push({ path, message }));

  const members = index(train.members, 'members', say);
  const gears = index(train.gears, 'gears', say);
  const meshes = index(train.meshes, 'meshes', say);
  const couplers = index(train.couplers, 'couplers', say);
  index(train.selectors ?? [], 'selectors', say);
  index(train.positions, 'positions', say);

  train.members.forEach((member, i) => memberRules(member, i, members, say));
  train.gears.forEach((gear, i) => {
    if (gear.member === FRAME) return;
    if (!members.has(gear.member)) say(['gears', i, 'member'], `There is no member "${gear.member}".`);
  });
  const pairs = new Set<string>();
  train.meshes.forEach((mesh, i) => meshRules(mesh, i, members, gears, pairs, say));
  const sliding = new Map<string, string>();
  train.couplers.forEach((coupler, i) => couplerRules(coupler, i, members, meshes, sliding, say));
  (train.selectors ?? []).forEach((selector, i) =>
    selector.spans.forEach((span, j) => {
      if (!couplers.has(span.coupler))
        say(['selectors', i, 'spans', j, 'coupler'], `There is no coupler "${span.coupler}".`);
      if (span.from > span.to) say(['selectors', i, 'spans', j, 'from'], 'A span starts before it ends.');
    }),
  );
  train.positions.forEach((position, i) => positionRules(position.engaged, i, couplers, say));

  if (!members.has(train.input)) say(['input'], `There is no member "${train.input}" to be the input.`);
  const seen = new Set<string>();
  train.outputs.forEach((output, i) => {
    if (!members.has(output)) say(['outputs', i], `There is no member "${output}" to be an output.`);
    else if (output === train.input) say(['outputs', i], 'The output cannot be the input as well.');
    else if (seen.has(output)) say(['outputs', i], `"${output}" is already an output.`);
    seen.add(output);
  });
  return found;
}

type Say = (path: Problem['path'], message: string) => void;
type Index<T> = ReadonlyMap<string, T>;

function index<T extends { id: string }>(items: readonly T[], key: string, say: Say): Index<T> {
  const byId = new Map<string, T>();
  items.forEach((item, i) => {
    if (item.id === FRAME && key === 'members') say([key, i, 'id'], 'The frame always exists and is never listed.');
    else if (byId.has(item.id)) say([key, i, 'id'], `The id "${item.id}" is already used in ${key}.`);
    else byId.set(item.id, item);
  });
  return byId;
}

function memberRules(member: Member, i: number, members: Index<Member>, say: Say): void {
  if (member.carrier === undefined) {
    if (member.copies !== undefined)
      say(['members', i, 'copies'], 'Only a planet, a member with a carrier, has copies.');
    return;
  }
  if (member.carrier === FRAME) {
    say(['members', i, 'carrier'], 'The frame carries every fixed axis already; leave the carrier out.');
    return;
  }
  if (!members.has(member.carrier)) {
    say(['members', i, 'carrier'], `There is no member "${member.carrier}" to carry it.`);
    return;
  }
  const visited = new Set([member.id]);
  for (let at = members.get(member.carrier); at; at = at.carrier === undefined ? undefined : members.get(at.carrier)) {
    if (at.id === member.id) {
      say(
        ['members', i, 'carrier'],
        at === member && member.carrier === member.id
          ? 'A member cannot carry itself.'
          : 'The carriers go round in a loop.',
      );
      return;
    }
    if (visited.has(at.id)) return;
    visited.add(at.id);
  }
}

/**
 * The member that carries a mesh: the carrier both gears share, or the carrier of the one that is a
 * planet of it while the other turns about the carrier's own axis.
 * @returns null when the two axes do not keep their distance, so that the gears cannot mesh.
 */
export function armOf(a: string, b: string, memberOf: (id: string) => Member | undefined): string | null {
  const carrierOf = (member: string) => memberOf(member)?.carrier ?? FRAME;
  const ca = carrierOf(a);
  const cb = carrierOf(b);
  if (ca === cb) return ca;
  if (ca !== FRAME && carrierOf(ca) === cb) return ca;
  if (cb !== FRAME && carrierOf(cb) === ca) return cb;
  return null;
}

function meshRules(
  mesh: Mesh,
  i: number,
  members: Index<Member>,
  gears: Index<Gear>,
  pairs: Set<string>,
  say: Say,
): void {
  const at = (...path: (string | number)[]) => ['meshes', i, ...path];
  const [a, b] = mesh.gears.map((id, side) => {
    const gear = gears.get(id);
    if (!gear) say(at('gears', side), `There is no gear "${id}".`);
    return gear;
  });
  if (!a || !b) return;
  if (a.id === b.id) return say(at('gears'), 'A gear cannot mesh with itself.');
  const pair = [a.id, b.id].sort().join('\n');
  if (pairs.has(pair)) return say(at('gears'), `"${a.id}" and "${b.id}" mesh already.`);
  pairs.add(pair);
  if (a.member === b.member)
    return say(at('gears'), `"${a.id}" and "${b.id}" are fixed to the same member, so they cannot mesh.`);
  if (a.type === 'internal' && b.type === 'internal') return say(at('gears'), 'Two internal gears cannot mesh.');
  if (isChained(a) || isChained(b)) {
    if (a.type !== b.type) return say(at('gears'), 'A sprocket runs with a sprocket and a pulley with a pulley.');
  }
  const arm = armOf(a.member, b.member, (id) => members.get(id));
  if (arm === null)
    return say(at('gears'), 'These gears are carried by different carriers, so they cannot stay in mesh.');
  if (arm !== FRAME && (arm === a.member || arm === b.member))
    return say(at('gears'), 'A planet cannot mesh with a gear on its own carrier: that gear would have two roles.');
  if (mesh.sense === undefined && [a.type, b.type].some((type) => type === 'bevel' || type === 'worm')) {
    say(at('sense'), 'A bevel or worm mesh must say whether its gears turn the same way or opposite.');
  }
  if (mesh.selfLocking && a.type !== 'worm')
    say(at('selfLocking'), 'Only a worm mesh locks itself, and the worm is named first.');
}

function couplerRules(
  coupler: Coupler,
  i: number,
  members: Index<Member>,
  meshes: Index<Mesh>,
  sliding: Map<string, string>,
  say: Say,
): void {
  if (coupler.type === 'sliding-mesh') {
    const other = sliding.get(coupler.mesh);
    if (!meshes.has(coupler.mesh)) say(['couplers', i, 'mesh'], `There is no mesh "${coupler.mesh}".`);
    else if (other !== undefined)
      say(['couplers', i, 'mesh'], `The mesh "${coupler.mesh}" is already worked by "${other}".`);
    sliding.set(coupler.mesh, coupler.id);
    return;
  }
  coupler.joins.forEach((id, side) => {
    if (id !== FRAME && !members.has(id)) say(['couplers', i, 'joins', side], `There is no member "${id}".`);
  });
  const frames = coupler.joins.filter((id) => id === FRAME).length;
  if (coupler.joins[0] === coupler.joins[1]) say(['couplers', i, 'joins'], 'A coupler joins two different members.');
  else if (coupler.type === 'brake' && frames === 0)
    say(['couplers', i, 'joins'], 'A brake joins a member to the frame.');
  else if (coupler.type === 'clutch' && frames === 1)
    say(['couplers', i, 'joins'], 'A clutch joins two members; to hold one to the frame use a brake.');
}

function positionRules(engaged: readonly string[], i: number, couplers: Index<Coupler>, say: Say): void {
  const seen = new Set<string>();
  engaged.forEach((id, j) => {
    const coupler = couplers.get(id);
    if (!coupler) say(['positions', i, 'engaged', j], `There is no coupler "${id}".`);
    else if (seen.has(id)) say(['positions', i, 'engaged', j], `"${id}" is engaged twice.`);
    else if (coupler.type === 'one-way' && coupler.control !== 'selectable') {
      say(
        ['positions', i, 'engaged', j],
        `"${id}" is a one-way clutch that is always on; only a selectable one is engaged.`,
      );
    }
    seen.add(id);
  });
}
