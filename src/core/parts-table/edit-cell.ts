import {
  changeCoupler,
  changeMember,
  changeMesh,
  checked,
  COUPLER_STYLES,
  engageInPosition,
  FRAME,
  partsById,
  recouple,
  refused,
  renamePosition,
  setInput,
  toggleOutput,
  typeTeeth,
  type Edit,
  type Gear,
  type Train,
} from '../train';
import { couplerName, listed, memberName } from '../words';
import { FRAME_WORDS, Ids, missingText } from '../written-form';
import { PAIR_KINDS, ROLES, type Column, type Section } from './columns';
import { namedIn } from './named-in';
import { pairKind, setKind, setOf } from './rows';
import { editWheel } from './wheels';

/** How cells are taken. */
export interface CellOptions {
  /** The other counts of a set follow a typed one. */
  readonly keepSets?: boolean;
}

/** What a changed cell makes of a train, or why it cannot be so. */
export function editCell(
  train: Train,
  section: Section,
  id: string,
  column: Column,
  text: string,
  options: CellOptions = {},
): Edit {
  const said = text.trim();
  switch (section) {
    case 'sets':
      return editSet(train, id, column, said, options);
    case 'pairs':
      return editPair(train, id, column, said, options);
    case 'wheels':
      return editWheel(train, id, column, said);
    case 'couplers':
      return editCoupler(train, id, column, said);
    case 'members':
      return editMember(train, id, column, said);
    case 'positions':
      if (column === 'name') return renamePosition(train, id, said);
      return withCouplers(train, said, (engaged) => engageInPosition(train, id, engaged));
  }
}

const same = (train: Train): Edit => ({ ok: true, train });

function editSet(train: Train, id: string, column: Column, said: string, options: CellOptions): Edit {
  const set = setOf(train, id);
  if (!set) return refused('This set is not there any more.');
  const { sun, ring, planets } = set;
  switch (column) {
    case 'kind':
      return said === setKind(set)
        ? same(train)
        : refused('The kind follows from the planets: 18/36 is a stepped one, 18 + 21 are two that mesh.');
    case 'sun':
      return sun ? editTeeth(train, [sun], said, options) : refused('This set has no sun.');
    case 'ring':
      return ring ? editTeeth(train, [ring], said, options) : refused('This set has no ring.');
    case 'planet':
      return editTeeth(
        train,
        planets.flatMap(({ gears }) => gears),
        said,
        options,
      );
    case 'sunOn':
      return sun ? moveGear(train, sun, said) : refused('This set has no sun.');
    case 'ringOn':
      return ring ? moveGear(train, ring, said) : refused('This set has no ring.');
    case 'planetOn':
      return eachOf(train, said, planets, (now, { member }, name) => renameMember(now, member, name));
    case 'copies':
      return eachOf(train, said, planets, (now, { member }, count) => {
        const copies = count === '' ? undefined : Number(count);
        return changeMember(now, member, { copies });
      });
    case 'carrier':
      return carryBy(
        train,
        planets.map(({ member }) => member),
        said,
      );
    default:
      return refused('This is not changed here.');
  }
}

function editPair(train: Train, id: string, column: Column, said: string, options: CellOptions): Edit {
  const mesh = partsById(train).find.mesh(id);
  if (!mesh) return refused('This pair is not there any more.');
  const [a, b] = partsById(train).pair(mesh);
  switch (column) {
    case 'driver':
      return editTeeth(train, [a], said, options);
    case 'mate':
      return editTeeth(train, [b], said, options);
    case 'driverOn':
      return moveGear(train, a, said);
    case 'mateOn':
      return moveGear(train, b, said);
    case 'kind': {
      const types = PAIR_TYPES[said];
      if (!types) return refused(unknown(said, 'a kind of pair', PAIR_KINDS));
      const mustSay = said === 'bevel' || said === 'worm';
      const sense = mustSay ? (mesh.sense ?? 'opposite') : said === pairKind(a, b) ? mesh.sense : undefined;
      return checked({
        ...train,
        gears: train.gears.map((gear) =>
          gear === a ? { ...gear, type: types[0] } : gear === b ? { ...gear, type: types[1] } : gear,
        ),
        meshes: train.meshes.map((one) => (one === mesh ? withSense(one, sense) : one)),
      });
    }
    case 'sense': {
      const senses: Readonly<Record<string, 'same' | 'opposite' | undefined>> = {
        'same way': 'same',
        opposite: 'opposite',
        '': undefined,
      };
      if (!Object.hasOwn(senses, said)) return refused(unknown(said, 'a direction', ['same way', 'opposite']));
      return changeMesh(train, id, { sense: senses[said] });
    }
    default:
      return refused('This is not changed here.');
  }
}

const PAIR_TYPES: Readonly<Record<string, readonly [Gear['type'], Gear['type']]>> = {
  external: ['external', 'external'],
  inside: ['external', 'internal'],
  bevel: ['bevel', 'bevel'],
  worm: ['worm', 'external'],
  chain: ['sprocket', 'sprocket'],
  belt: ['pulley', 'pulley'],
};

function withSense({ sense: _, ...mesh }: Train['meshes'][number], sense: 'same' | 'opposite' | undefined) {
  return { ...mesh, ...(sense !== undefined && { sense }) };
}

function editCoupler(train: Train, id: string, column: Column, said: string): Edit {
  const coupler = partsById(train).find.coupler(id);
  if (!coupler) return refused('This coupler is not there any more.');
  switch (column) {
    case 'name':
      return changeCoupler(train, id, { name: said });
    case 'style': {
      const style = COUPLER_STYLES.find((one) => one === said);
      if (style === undefined && said !== '') return refused(unknown(said, 'a style', COUPLER_STYLES));
      return changeCoupler(train, id, { style });
    }
    case 'kind':
      if (said === coupler.type) return same(train);
      if (said === 'one-way' || said === 'clutch') return recouple(train, id, { type: said });
      if (said === 'brake' && 'joins' in coupler)
        return recouple(train, id, { type: 'clutch', joins: [coupler.joins[0], FRAME] });
      return refused(
        said === 'slide'
          ? 'A pair slides by a row of its own.'
          : unknown(said, 'a kind', ['brake', 'clutch', 'one-way']),
      );
    case 'a':
    case 'b': {
      if (!('joins' in coupler)) return refused('A sliding mesh joins its two gears: change the pair.');
      if (said === '') return refused('Name the member that it joins.');
      const [a, b] = coupler.joins;
      const { train: grown, id: found } = withMember(train, said);
      const edit = recouple(grown, id, { joins: column === 'a' ? [found, b] : [a, found] });
      return edit.ok ? checked(withoutBare(edit.train, [column === 'a' ? a : b])) : edit;
    }
    default:
      return refused('This is not changed here.');
  }
}

function editMember(train: Train, id: string, column: Column, said: string): Edit {
  switch (column) {
    case 'name':
      return renameMember(train, id, said);
    case 'limit': {
      const limit = said === '' ? undefined : Number(said.replace(',', '.'));
      return limit !== undefined && !Number.isFinite(limit)
        ? refused(`“${said}” is not a torque in N·m.`)
        : changeMember(train, id, { limit });
    }
    case 'color': {
      const [, digits] = /^#?([0-9a-f]{6})$/i.exec(said) ?? [];
      return digits === undefined && said !== ''
        ? refused(`“${said}” is no colour: six digits from 0 to f, such as 1a2b3c.`)
        : changeMember(train, id, { color: digits === undefined ? undefined : `#${digits}` });
    }
    case 'role': {
      const is = id === train.input ? 'input' : train.outputs.includes(id) ? 'output' : '';
      if (said === is) return same(train);
      if (said === 'input') return withoutUnused(setInput(train, id), [train.input]);
      if (said === 'output' || (said === '' && is === 'output'))
        return withoutUnused(toggleOutput(train, id), said === 'output' ? train.outputs : []);
      return refused(
        said === '' ? 'A train needs an input: make another member the input.' : unknown(said, 'a role', ROLES),
      );
    }
    default:
      return refused('This is not changed here.');
  }
}

/** Counts as they stand in a cell: one, "18/36" of a stepped planet, "18 + 21" of two planets. */
function editTeeth(train: Train, gears: readonly Gear[], said: string, { keepSets = false }: CellOptions): Edit {
  const counts = said.split(/[/+]/).map((count) => count.trim());
  if (counts.length !== gears.length)
    return refused(
      gears.length === 1
        ? `“${said}” is not a tooth count.`
        : `Give ${gears.length} counts, such as ${gears.map(({ teeth }) => teeth).join('/')}.`,
    );
  let edit = same(train);
  for (const [i, gear] of gears.entries()) {
    const count = counts[i] ?? '';
    if (!/^\d+$/.test(count)) return refused(`“${count}” is not a tooth count, a whole number.`);
    if (edit.ok && Number(count) !== gear.teeth) edit = typeTeeth(edit.train, gear.id, Number(count), keepSets);
  }
  return edit;
}

/** A cell that says something of each planet, with + between. */
function eachOf<P>(
  train: Train,
  said: string,
  planets: readonly P[],
  change: (now: Train, planet: P, said: string) => Edit,
): Edit {
  const each = said.split('+').map((one) => one.trim());
  if (each.length !== 1 && each.length !== planets.length) return refused(`Give ${planets.length}, with + between.`);
  return planets.reduce<Edit>(
    (edit, planet, i) => (edit.ok ? change(edit.train, planet, each[i] ?? each[0] ?? '') : edit),
    same(train),
  );
}

/** The id of the member that is called so; null where none is. */
export function memberCalled(train: Train, name: string): string | null {
  if (FRAME_WORDS.has(name.toLowerCase())) return FRAME;
  return train.members.find(({ id }) => memberName(train, id) === name)?.id ?? null;
}

/** Fixes a gear to the member of this name, which is made where there is none; a member left with nothing goes. */
function moveGear(train: Train, gear: Gear, name: string): Edit {
  if (name === '') return refused('Name the member that it is on.');
  const { train: grown, id } = withMember(train, name);
  if (id === gear.member) return same(train);
  const gears = grown.gears.map((one) => (one.id === gear.id ? { ...one, member: id } : one));
  return checked(withoutBare({ ...grown, gears }, [gear.member]));
}

function carryBy(train: Train, planets: readonly string[], name: string): Edit {
  if (name === '') return refused('Name the member that carries the planets.');
  const { train: grown, id } = withMember(train, name);
  const before = planets.flatMap((planet) => partsById(train).find.member(planet)?.carrier ?? []);
  const members = grown.members.map((member) => (planets.includes(member.id) ? { ...member, carrier: id } : member));
  return checked(withoutBare({ ...grown, members }, before));
}

function renameMember(train: Train, id: string, name: string): Edit {
  if (name === '') return refused('Give it a name.');
  return name === memberName(train, id) ? same(train) : changeMember(train, id, { name });
}

function withMember(train: Train, name: string): { readonly train: Train; readonly id: string } {
  const known = memberCalled(train, name);
  if (known !== null) return { train, id: known };
  const id = new Ids(train.members.map((member) => member.id)).fresh(name, 'member');
  return { train: { ...train, members: [...train.members, { id, name }] }, id };
}

/** Where power comes in or goes out by another member, one that nothing else stood on is left out altogether. */
function withoutUnused(edit: Edit, before: readonly string[]): Edit {
  if (!edit.ok) return edit;
  const { train } = edit;
  const unused = before.filter((id) => !isUsed(train, id));
  const outputs = train.outputs.filter((id) => !unused.includes(id));
  return checked(withoutBare({ ...train, outputs }, unused));
}

/** Does any part stand on a member? */
const isUsed = (train: Train, id: string): boolean =>
  train.gears.some(({ member }) => member === id) ||
  train.members.some(({ carrier }) => carrier === id) ||
  train.couplers.some((coupler) => 'joins' in coupler && coupler.joins.includes(id));

/** Without those of these members on which nothing is left. */
export function withoutBare(train: Train, members: readonly string[]): Train {
  const bare = new Set(members.filter((id) => id !== train.input && !train.outputs.includes(id) && !isUsed(train, id)));
  return bare.size === 0 ? train : { ...train, members: train.members.filter(({ id }) => !bare.has(id)) };
}

/** The couplers that a cell names, with + or commas between. */
function withCouplers(train: Train, said: string, make: (ids: readonly string[]) => Edit): Edit {
  const ids: string[] = [];
  const names = train.couplers.map(({ id }) => couplerName(train, id));
  for (const name of namedIn(said, names)) {
    const found = train.couplers.find(({ id }) => couplerName(train, id).toLowerCase() === name.toLowerCase());
    if (!found) return refused(missingText('coupler', name, names));
    ids.push(found.id);
  }
  return make(ids);
}

const unknown = (said: string, what: string, words: readonly string[]): string =>
  `“${said}” is not ${what}: there are ${listed(words)}.`;
