import { components, FRAME, type Gear, type Train } from '../train';
import { listed } from './sentences';

/** What a member is called: its name, or its id where it goes without one. */
export function memberName(train: Train, id: string): string {
  return id === FRAME ? 'the frame' : train.members.find((member) => member.id === id)?.name || id;
}

/** What a coupler is called; a worm that stands is told among the couplers that hold. */
export const couplerName = (train: Train, id: string): string =>
  train.couplers.find((coupler) => coupler.id === id)?.name ||
  (id.startsWith('self-lock') ? 'the self-locking worm' : id);

/** "30 on the lay shaft": gears go by their teeth and what they are on. */
export const gearName = (train: Train, { teeth, member }: Gear): string => `${teeth} on ${memberName(train, member)}`;

/**
 * What a planetary set is called: "set on the carrier", or, where that carries several, "set of the low planet on the
 * carrier".
 * @param id of its first planet
 */
export function setName(train: Train, id: string): string {
  const carrier = train.members.find((member) => member.id === id)?.carrier;
  if (carrier === undefined) return `set of ${memberName(train, id)}`;
  const own = train.members.filter((member) => member.carrier === carrier).map((planet) => planet.id);
  const memberOf = new Map(train.gears.map((gear) => [gear.id, gear.member]));
  const groups = components(
    own,
    train.meshes.map(({ gears: [a, b] }): [string, string] => [memberOf.get(a) ?? '', memberOf.get(b) ?? '']),
  );
  const on = `on ${memberName(train, carrier)}`;
  if (groups.length < 2) return `set ${on}`;
  const names = groups.map((planets) => listed(planets.map((planet) => memberName(train, planet))));
  const at = groups.findIndex((planets) => planets.includes(id));
  const unique = names.filter((name) => name === names[at]).length === 1;
  return unique ? `set of ${names[at]} ${on}` : `set ${at + 1} ${on}`;
}
