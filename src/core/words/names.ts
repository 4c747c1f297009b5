import { components, FRAME, type Gear, type Train, partsById } from '../train';
import { listed } from './sentences';

/** What a member is called: its name, or its id where it goes without one. */
export function memberName(train: Train, id: string): string {
  return id === FRAME ? 'the frame' : partsById(train).find.member(id)?.name || id;
}

/** What a coupler is called; a worm that stands is told among the couplers that hold. */
export const couplerName = (train: Train, id: string): string =>
  partsById(train).find.coupler(id)?.name || (id.startsWith('self-lock') ? 'the self-locking worm' : id);

/** "30 on the lay shaft": gears go by their teeth and what they are on. */
export const gearName = (train: Train, { teeth, member }: Gear): string => `${teeth} on ${memberName(train, member)}`;

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
