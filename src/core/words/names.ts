import { components, FRAME, type Gear, type Train, partsById } from '../train';
import { listed } from './sentences';

/** What a member is called: its name, or its id where it goes without one; no two are called the same. */
export const memberName = (train: Train, id: string): string =>
  id === FRAME ? 'the frame' : (namesOf(train).members.get(id) ?? id);

/** What a coupler is called; a worm that stands is told among the couplers that hold. */
export const couplerName = (train: Train, id: string): string =>
  namesOf(train).couplers.get(id) ?? (id.startsWith('self-lock') ? 'the self-locking worm' : id);

/**
 * "30 on the lay shaft": gears go by their teeth and what they are on, and by what they mesh with where that leaves
 * two.
 */
export const gearName = (train: Train, { id, teeth, member }: Gear): string =>
  namesOf(train).gears.get(id) ?? `${teeth} on ${memberName(train, member)}`;

/** What tells a gear from others of its member with as many teeth: ", meshing with 24 on sun"; else nothing. */
export function whichGear(train: Train, gear: Gear): string {
  return gearName(train, gear).slice(`${gear.teeth} on ${memberName(train, gear.member)}`.length);
}

type Names = Readonly<Record<'members' | 'couplers' | 'gears', ReadonlyMap<string, string>>>;

const names = new WeakMap<Train, Names>();

/** What every part of a document is called, worked out once. */
function namesOf(train: Train): Names {
  const known = names.get(train);
  if (known) return known;
  const members = toldApart(train.members.map(({ id, name }) => [id, name || id]));
  const own = ({ teeth, member }: Gear) => `${teeth} on ${members.get(member) ?? member}`;
  const { find } = partsById(train);
  const mates = (gear: Gear) =>
    train.meshes.flatMap(({ gears: [a, b] }) => {
      const mate = a === gear.id ? find.gear(b) : b === gear.id ? find.gear(a) : undefined;
      return mate ? [own(mate)] : [];
    });
  const alike = new Set(repeated(train.gears.map(own)));
  const gears = toldApart(
    train.gears.map((gear) => {
      const with_ = alike.has(own(gear)) ? mates(gear) : [];
      return [gear.id, with_.length > 0 ? `${own(gear)}, meshing with ${listed(with_)}` : own(gear)];
    }),
  );
  const made = { members, gears, couplers: toldApart(train.couplers.map(({ id, name }) => [id, name || id])) };
  names.set(train, made);
  return made;
}

function repeated(texts: readonly string[]): string[] {
  const seen = new Set<string>();
  return texts.filter((text) => seen.has(text) || !seen.add(text));
}

/** Numbers those that would be called the same: "planet", "planet (2)". */
function toldApart(called: readonly (readonly [string, string])[]): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  return new Map(
    called.map(([id, name]) => {
      let own = name;
      for (let i = 2; taken.has(own); i++) own = `${name} (${i})`;
      taken.add(own);
      return [id, own];
    }),
  );
}

/**
 * What a planetary set is called: "set on the carrier", or, where that carries several, "set of the low planet on the
 * carrier".
 * @param id of its first planet
 */
export function setName(train: Train, id: string): string {
  const carrier = partsById(train).find.member(id)?.carrier;
  if (carrier === undefined) return `set of ${memberName(train, id)}`;
  const own = train.members.filter((member) => member.carrier === carrier).map((planet) => planet.id);
  const parts = partsById(train);
  const groups = components(
    own,
    train.meshes.map(({ gears: [a, b] }): [string, string] => [
      parts.find.gear(a)?.member ?? '',
      parts.find.gear(b)?.member ?? '',
    ]),
  );
  const on = `on ${memberName(train, carrier)}`;
  if (groups.length < 2) return `set ${on}`;
  const names = groups.map((planets) => listed(planets.map((planet) => memberName(train, planet))));
  const at = groups.findIndex((planets) => planets.includes(id));
  const unique = names.filter((name) => name === names[at]).length === 1;
  return unique ? `set of ${names[at]} ${on}` : `set ${at + 1} ${on}`;
}
