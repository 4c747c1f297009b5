import { brake, clutch, gear, member, position, trainOf } from '../patterns';
import { toNumber } from '../rational';
import { assemblesEvenly } from '../tooth-search';
import { FRAME, type Edit, type Gear, type Member, type Mesh } from '../train';
import { CENTRAL, type GivenSet, type SchemeQuestion } from './question';
import type { FoundScheme, Scheme } from './scheme';
import { itemAt } from '../required';

/** How many planets a set gets: three, or as many near it as go in evenly. */
const COPIES = [3, 4, 5, 2, 6, 1];

/**
 * The train of a scheme: members are called by what they do and what is joined in them, elements by what they take hold
 * of, positions 1, 2, … and R. With counts of the sets that it is made of.
 */
export function trainOfScheme(found: FoundScheme, sets: readonly GivenSet[], name: string, notes?: string): Edit {
  const { scheme, selection } = found;
  const names = memberNames(scheme, sets);
  const of = (central: number) => {
    const at = scheme.members.findIndex((joined) => joined.includes(central));
    return at < 0 ? FRAME : itemAt(names, at);
  };
  const parts = sets.map((set, i) => setParts(set, [of(3 * i), of(3 * i + 1), of(3 * i + 2)]));
  const couplers = elementNames(found).map((id, i) => {
    const [a, b] = itemAt(selection.elements, i).joins.map((at) => itemAt(names, at));
    return b === undefined ? brake(id, id, a ?? '') : clutch(id, id, a ?? '', b);
  });
  const engaged = (places: readonly number[]) => places.map((at) => itemAt(couplers, at).id);
  const made = trainOf(name, {
    members: [...names.map((id) => member(id)), ...parts.flatMap(({ planets }) => planets)],
    gears: parts.flatMap(({ gears }) => gears),
    meshes: parts.flatMap(({ meshes }) => meshes),
    couplers,
    positions: [
      ...selection.forward.map((places, i) => position(String(i + 1), ...engaged(places))),
      ...(selection.reverse ? [position('R', ...engaged(selection.reverse))] : []),
    ],
    input: itemAt(names, scheme.input),
    output: itemAt(names, scheme.output),
  });
  return made.ok && notes !== undefined ? { ...made, train: { ...made.train, notes } } : made;
}

/** By element what it is called. */
export function elementNames({ selection: { elements } }: FoundScheme): readonly string[] {
  const counts = { brake: 0, clutch: 0 };
  return elements.map(({ type }) => `${type} ${++counts[type]}`);
}

/** By member what it is called: by its ends, else by what of the sets is joined in it. */
export function memberNames({ members, input, output }: Scheme, sets: readonly { readonly id: string }[]) {
  return members.map((joined, at) =>
    at === input ? 'input' : at === output ? 'output' : joined.map((central) => centralName(central, sets)).join(' + '),
  );
}

/** "front sun". */
export const centralName = (central: number, sets: readonly { readonly id: string }[]): string =>
  `${itemAt(sets, Math.floor(central / 3)).id} ${itemAt(CENTRAL, central % 3)}`;

interface SetParts {
  readonly planets: readonly Member[];
  readonly gears: readonly Gear[];
  readonly meshes: readonly Mesh[];
}

/** A set on these members: sun, carrier, ring. */
function setParts(set: GivenSet, [sun, carrier, ring]: readonly [string, string, string]): SetParts {
  const { id } = set;
  const between = planetCounts(set);
  const copies = evenCopies(set, between);
  // With its carrier on the frame a planet turns about a fixed axis.
  const planet = (name: string) => (carrier === FRAME ? member(name) : member(name, carrier, copies));
  const ends = [gear(`${id} sun gear`, sun, set.sun), gear(`${id} ring gear`, ring, set.ring, 'internal')] as const;
  const mesh = (name: string, a: string, b: string): Mesh => ({ id: `${id} ${name}`, gears: [a, b] });
  if (set.kind === 'stepped' || between.length === 1) {
    const pin = `${id} planet`;
    const steps = between.map((teeth, i) => gear(i === 0 ? `${id} planet gear` : `${id} second step`, pin, teeth));
    return {
      planets: [planet(pin)],
      gears: [ends[0], ...steps, ends[1]],
      meshes: [mesh('inner', ends[0].id, itemAt(steps, 0).id), mesh('outer', itemAt(steps, -1).id, ends[1].id)],
    };
  }
  const [inner, outer] = [`${id} inner planet`, `${id} outer planet`];
  const gears = [
    gear(`${id} inner gear`, inner, itemAt(between, 0)),
    gear(`${id} outer gear`, outer, itemAt(between, 1)),
  ];
  return {
    planets: [planet(inner), planet(outer)],
    gears: [ends[0], ...gears, ends[1]],
    meshes: [
      mesh('inner', ends[0].id, itemAt(gears, 0).id),
      mesh('between', itemAt(gears, 0).id, itemAt(gears, 1).id),
      mesh('outer', itemAt(gears, 1).id, ends[1].id),
    ],
  };
}

/** Teeth of the planets between sun and ring; where the motion leaves them open, as they go between. */
export function planetCounts(set: GivenSet): readonly number[] {
  if (set.kind === 'stepped') return [set.planet, set.second];
  const room = (set.ring - set.sun) / 2;
  if (set.kind === 'simple') return [Math.max(1, Math.round(room))];
  // Two planets that reach from sun to ring side by side, not one behind the other.
  const own = Math.max(1, Math.round(room * 0.6));
  return [own, own];
}

/** As many planets as go in evenly. @param between their teeth, see planetCounts */
function evenCopies({ kind, sun, ring }: GivenSet, between: readonly number[]): number {
  const counts = { sun, planet: itemAt(between, 0), second: itemAt(between, -1), ring };
  return COPIES.find((copies) => assemblesEvenly({ ...counts, copies }, kind)) ?? 1;
}

/** What was asked, as the notes of a train that is made of it. */
export function askedInWords({ forward, tolerance, reverse, sets }: SchemeQuestion): string {
  const ratios = forward.map((ratio) => String(Number(toNumber(ratio).toPrecision(4)))).join(', ');
  const back = reverse === 'none' ? '' : ' and a reverse';
  const from = sets.length === 1 ? 'one set' : `${sets.length} sets`;
  return `Found by Schemes: ${ratios}${back}, within ${Number((100 * tolerance).toPrecision(3))} %, from ${from}.`;
}
