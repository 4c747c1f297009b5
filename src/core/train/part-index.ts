import type { CouplerId, GearId, MemberId, MeshId, PositionId } from './ids';
import type { Coupler, Gear, Member, Mesh, Position, Train } from './schema';

/** A train's parts by their ids. Asking for one that is not there is an error of the program, not of the document. */
export interface PartIndex {
  /** @throws RangeError where there is no such part; so do the others */
  readonly member: (id: MemberId) => Member;
  readonly gear: (id: GearId) => Gear;
  readonly mesh: (id: MeshId) => Mesh;
  readonly coupler: (id: CouplerId) => Coupler;
  readonly position: (id: PositionId) => Position;
  /** The two gears of a mesh, as it names them. */
  readonly pair: (mesh: Mesh) => readonly [Gear, Gear];
  /** The gear that meshes with one in a mesh of its. */
  readonly mate: (mesh: Mesh, gear: GearId) => Gear;
  /** The mesh that a coupler slides in and out; null for one that joins members. */
  readonly slidMesh: (coupler: Coupler) => Mesh | null;
  /** The gears of a member, in the order of the document; none for the frame where nothing is fixed to it. */
  readonly gearsOn: (member: MemberId) => readonly Gear[];
  /** Undefined where there is no such part, or no id: for ids that someone typed, or that may have been removed. */
  readonly find: {
    readonly member: Finder<Member, MemberId>;
    readonly gear: Finder<Gear, GearId>;
    readonly mesh: Finder<Mesh, MeshId>;
    readonly coupler: Finder<Coupler, CouplerId>;
    readonly position: Finder<Position, PositionId>;
  };
}

type Finder<P, I> = (id: I | null | undefined) => P | undefined;

const indexes = new WeakMap<Train, PartIndex>();

/** The parts of a train by id, put in order once for each document. */
export function partsById(train: Train): PartIndex {
  const known = indexes.get(train);
  if (known) return known;
  const index = indexParts(train);
  indexes.set(train, index);
  return index;
}

function indexParts(train: Train): PartIndex {
  const find = {
    member: finder(train.members),
    gear: finder(train.gears),
    mesh: finder(train.meshes),
    coupler: finder(train.couplers),
    position: finder(train.positions),
  };
  const gear = required('gear', find.gear);
  const mesh = required('mesh', find.mesh);
  let gearsByMember: ReadonlyMap<string, readonly Gear[]> | null = null;
  return {
    member: required('member', find.member),
    gear,
    mesh,
    coupler: required('coupler', find.coupler),
    position: required('position', find.position),
    pair: ({ gears: [a, b] }) => [gear(a), gear(b)],
    mate: ({ gears: [a, b] }, id) => gear(id === a ? b : a),
    slidMesh: (coupler) => (coupler.type === 'sliding-mesh' ? mesh(coupler.mesh) : null),
    gearsOn: (member) => (gearsByMember ??= gearsByTheirMember(train)).get(member) ?? [],
    find,
  };
}

function gearsByTheirMember({ gears }: Train): ReadonlyMap<string, readonly Gear[]> {
  const byMember = new Map<string, Gear[]>();
  for (const gear of gears) {
    const known = byMember.get(gear.member);
    if (known) known.push(gear);
    else byMember.set(gear.member, [gear]);
  }
  return byMember;
}

/** Finds a part by its id; the map is made when it is first asked. */
function finder<P extends { readonly id: string }>(parts: readonly P[]): Finder<P, P['id']> {
  let byId: ReadonlyMap<P['id'], P> | null = null;
  return (id) => {
    if (id === null || id === undefined) return undefined;
    byId ??= new Map(parts.map((part) => [part.id, part]));
    return byId.get(id);
  };
}

function required<P, I extends string>(kind: string, find: Finder<P, I>): (id: I) => P {
  return (id) => {
    const part = find(id);
    if (part === undefined) throw new RangeError(`There is no ${kind} "${id}".`);
    return part;
  };
}
