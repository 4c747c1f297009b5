import * as z from 'zod/mini';
import { axesOf } from '../axes';
import { FRAME } from '../frame';
import { LIMITS } from '../limits';
import type { PartRef } from '../parts';
import {
  couplerSchema,
  gearSchema,
  memberSchema,
  meshSchema,
  type Gear,
  type Mesh,
  type Train,
  type Unchanging,
} from '../schema';
import { addition, refusedAddition, withParts, type Addition } from './addition';
import { freshId } from './edit';
import { partsById } from '../part-index';
import { lookUp } from '../../required';

const clipSchema = z.strictObject({
  part: z.strictObject({ kind: z.enum(['gear', 'member', 'coupler']), id: z.string() }),
  members: z.array(memberSchema).check(z.maxLength(LIMITS.members)),
  gears: z.array(gearSchema).check(z.maxLength(LIMITS.gears)),
  meshes: z.array(meshSchema).check(z.maxLength(LIMITS.meshes)),
  couplers: z.array(couplerSchema).check(z.maxLength(LIMITS.couplers)),
});

/**
 * A part that was copied: with a member its gears and the planets it carries, with a gear its meshes, with both what
 * couples them.
 */
export type Clip = Unchanging<z.infer<typeof clipSchema>>;

/** Reads a clip from its text; null when it is none. */
export function readClip(text: string): Clip | null {
  try {
    const read = clipSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/**
 * Copies a part with its connections; null when there is no such part, or when it cannot stand alone (a mesh, a sliding
 * mesh).
 */
export function copyPart(train: Train, { kind, id }: PartRef): Clip | null {
  if (kind === 'mesh') return null;
  const members = new Set(kind === 'member' ? [id] : []);
  for (let size = -1; size !== members.size;) {
    size = members.size;
    for (const member of train.members)
      if (member.carrier !== undefined && members.has(member.carrier)) members.add(member.id);
  }
  const gears = new Set(
    train.gears
      .filter((gear) => members.has(gear.member) || (kind === 'gear' && gear.id === id))
      .map((gear) => gear.id),
  );
  const meshes = new Set(
    train.meshes.filter((mesh) => mesh.gears.some((gear) => gears.has(gear))).map((mesh) => mesh.id),
  );
  const couplers = train.couplers.filter((coupler) =>
    'joins' in coupler
      ? coupler.joins.some((member) => members.has(member)) || (kind === 'coupler' && coupler.id === id)
      : meshes.has(coupler.mesh),
  );
  if (members.size + gears.size + couplers.length === 0) return null;
  return {
    part: { kind, id },
    members: train.members.filter((member) => members.has(member.id)),
    gears: train.gears.filter((gear) => gears.has(gear.id)),
    meshes: train.meshes.filter((mesh) => meshes.has(mesh.id)),
    couplers,
  };
}

/**
 * Pastes a copied part: new ids for what was copied, and where it is the train it was copied from, the old connections
 * to what is still there; `elsewhere`, in another train, it brings only what was copied. The new part starts in no
 * position and is no output.
 */
export function pastePart(train: Train, clip: Clip, elsewhere = false): Addition {
  const members = renumbered(train.members, clip.members);
  const gears = renumbered(train.gears, clip.gears);
  const has = {
    member: (id: string) =>
      id === FRAME || members.has(id) || (!elsewhere && train.members.some((member) => member.id === id)),
    gear: (id: string) => gears.has(id) || (!elsewhere && train.gears.some((gear) => gear.id === id)),
  };
  const meshes = clip.meshes.filter((mesh) => mesh.gears.every(has.gear));
  const meshIds = renumbered(train.meshes, meshes);
  const couplers = clip.couplers.filter((coupler) =>
    'joins' in coupler ? coupler.joins.every(has.member) : meshIds.has(coupler.mesh),
  );
  const couplerIds = renumbered(train.couplers, couplers);
  const own = { gear: gears, member: members, coupler: couplerIds }[clip.part.kind].get(clip.part.id);
  const homeless =
    clip.gears.find((gear) => !has.member(gear.member)) ??
    clip.members.find(({ carrier }) => carrier !== undefined && !has.member(carrier));
  if (own === undefined || homeless)
    return refusedAddition('What it was fixed to is not in this train. Copy the whole shaft or carrier instead.');
  const names = new Set([...train.members, ...train.couplers].map(({ name }) => name));
  const parts = {
    members: clip.members.map((member) => ({
      ...member,
      id: lookUp(members, member.id),
      name: freshName(names, member.name),
      ...(member.carrier !== undefined && { carrier: members.get(member.carrier) ?? member.carrier }),
    })),
    gears: clip.gears.map((gear) => ({
      ...gear,
      id: lookUp(gears, gear.id),
      member: members.get(gear.member) ?? gear.member,
    })),
    meshes: meshes.map((mesh) => ({
      ...mesh,
      id: lookUp(meshIds, mesh.id),
      gears: mesh.gears.map((id) => gears.get(id) ?? id) as [string, string],
    })),
    couplers: couplers.map((coupler) => {
      const renamed = { id: lookUp(couplerIds, coupler.id), name: freshName(names, coupler.name) };
      return 'joins' in coupler
        ? { ...coupler, ...renamed, joins: coupler.joins.map((id) => members.get(id) ?? id) as [string, string] }
        : { ...coupler, ...renamed, mesh: lookUp(meshIds, coupler.mesh) };
    }),
  };
  return addition(withMates(withParts(train, parts), new Map([...gears].map(([old, fresh]) => [fresh, old]))), {
    kind: clip.part.kind,
    id: own,
  });
}

/**
 * Where a pasted gear turns about the line of the one it was copied from, the two cannot stand in one place: what it
 * meshes with gets a second gear like it on the same shaft. `copied` names the original of every pasted gear.
 */
function withMates(train: Train, copied: ReadonlyMap<string, string>): Train {
  const axes = axesOf(train);
  const parts = partsById(train);
  const centreOf = (member: string): string => {
    const carrier = parts.find.member(member)?.carrier;
    return carrier === undefined ? member : centreOf(carrier);
  };
  const inTheWay = (fresh: string) => {
    const [at, there] = [fresh, lookUp(copied, fresh)].map((id) => parts.find.gear(id));
    if (!at || !there || centreOf(at.member) === centreOf(there.member)) return false;
    return axes.some(
      ({ members }) => members.includes(centreOf(at.member)) && members.includes(centreOf(there.member)),
    );
  };
  const mates = new Map<string, Gear>();
  const mateFor = (id: string): string => {
    const mate = parts.gear(id);
    if (!mates.has(id)) mates.set(id, { ...mate, id: freshId([...train.gears, ...mates.values()], baseOf(id)) });
    return lookUp(mates, id).id;
  };
  const meshes = train.meshes.map((mesh): Mesh => {
    const fresh = mesh.gears.find((id) => copied.has(id) && inTheWay(id));
    if (fresh === undefined || mesh.gears.every((id) => copied.has(id))) return mesh;
    return { ...mesh, gears: mesh.gears.map((id) => (id === fresh ? id : mateFor(id))) as [string, string] };
  });
  return withParts({ ...train, meshes }, { gears: [...mates.values()] });
}

/** A new id for each copied part, near to its old one. */
function renumbered(
  there: readonly { readonly id: string }[],
  copied: readonly { readonly id: string }[],
): ReadonlyMap<string, string> {
  const taken = [...there];
  return new Map(
    copied.map(({ id }) => {
      const fresh = freshId(taken, baseOf(id));
      taken.push({ id: fresh });
      return [id, fresh];
    }),
  );
}

const baseOf = (text: string): string => text.replace(/ \d+$/, '');

function freshName(taken: Set<string>, name: string): string {
  let fresh = name;
  for (let i = 2; fresh !== '' && taken.has(fresh); i++) fresh = `${baseOf(name)} ${i}`.slice(-120);
  taken.add(fresh);
  return fresh;
}
