import { brake, dog, gear, member, position, trainOf, type PatternParts } from '../patterns';
import { changeMember, refused, setTeeth, type Edit, type SimpleSet, type Train } from '../train';
import type { Arranged } from './arranged';
import type { Dials } from './outputs';
import type { SetQuestion } from './planetary';
import type { FoundSet } from './planetary-sets';
import type { CountPair } from './stage-fractions';
import type { TrainStage } from './stages-of';
import { itemAt } from '../required';

/** What all trains that are made of findings have. */
export interface Making {
  readonly name: string;
  /** Module of every wheel, mm. */
  readonly module?: number | undefined;
}

const made = ({ name, module }: Making, parts: PatternParts): Edit =>
  trainOf(name, module === undefined ? parts : { ...parts, gears: parts.gears.map((one) => ({ ...one, module })) });

/**
 * Shafts one after the other with a pair between neighbours; with equal centres every second one on the same axis,
 * which an open clutch says.
 */
export function chainTrain(making: Making, { chain, idler }: Arranged, equalCentres: boolean): Edit {
  const shafts = ['input', ...chain.slice(1).map((_, i) => `shaft ${i + 2}`), 'output'];
  const parts = stagesBetween(chain, shafts, idler ? itemAt(chain, 0) : null);
  const coaxial = equalCentres ? shafts.slice(2).map((shaft, i) => [itemAt(shafts, i), shaft] as const) : [];
  return made(making, {
    ...parts,
    couplers: coaxial.map(([a, b]) => dog(`${a} to ${b}`, `${a} to ${b}`, a, b)),
    positions: coaxial.length > 0 ? [position('geared')] : [],
    input: itemAt(shafts, 0),
    output: itemAt(shafts, -1),
  });
}

function stagesBetween(chain: readonly CountPair[], shafts: readonly string[], idler: CountPair | null) {
  const gears = chain.flatMap(([driver, driven, teeth], i) => [
    gear(`driver ${i + 1}`, itemAt(shafts, i), driver),
    gear(`driven ${i + 1}`, itemAt(shafts, i + 1), driven, teeth === 'internal' ? 'internal' : 'external'),
  ]);
  const meshes = chain.map((_, i) => ({
    id: `mesh ${i + 1}`,
    gears: [`driver ${i + 1}`, `driven ${i + 1}`] as [string, string],
  }));
  if (!idler) return { members: shafts.map((id) => member(id)), gears, meshes };
  return {
    members: [...shafts, 'idler'].map((id) => member(id)),
    gears: [...gears, gear('idler wheel', 'idler', Math.min(idler[0], idler[1]))],
    meshes: [
      { id: 'mesh 1', gears: ['driver 1', 'idler wheel'] as [string, string] },
      { id: 'mesh idler', gears: ['idler wheel', 'driven 1'] as [string, string] },
      ...meshes.slice(1),
    ],
  };
}

/** One chain with an output wherever it is tapped; on one axis where that is asked, which open clutches say. */
export function dialsTrain(making: Making, { taps }: Dials, coaxial: boolean): Edit {
  const shafts = ['input'];
  for (const { name, chain } of taps) {
    for (let i = 1; i < chain.length; i++) shafts.push(`shaft ${shafts.length + 1}`);
    shafts.push(name);
  }
  const chain = taps.flatMap((tap) => tap.chain);
  const names = taps.map(({ name }) => name);
  const joined = coaxial ? names.slice(1).map((name, i) => [itemAt(names, i), name] as const) : [];
  return made(making, {
    ...stagesBetween(chain, shafts, null),
    couplers: joined.map(([a, b]) => dog(`${a} to ${b}`, `${a} to ${b}`, a, b)),
    positions: joined.length > 0 ? [position('geared')] : [],
    input: 'input',
    output: itemAt(names, 0),
    more: names.slice(1),
  });
}

/** A pair for each position between two shafts, each driven wheel taken to the output by its own dog. */
export function ladderTrain(making: Making, pairs: readonly CountPair[], names: readonly string[]): Edit {
  return made(making, {
    members: [member('input'), member('output'), ...pairs.map((_, i) => member(`wheel ${i + 1}`))],
    gears: pairs.flatMap(([driver, driven], i) => [
      gear(`driver ${i + 1}`, 'input', driver),
      gear(`driven ${i + 1}`, `wheel ${i + 1}`, driven),
    ]),
    meshes: pairs.map((_, i) => ({ id: `pair ${i + 1}`, gears: [`driver ${i + 1}`, `driven ${i + 1}`] })),
    couplers: pairs.map((_, i) => dog(`dog ${i + 1}`, itemAt(names, i), `wheel ${i + 1}`, 'output')),
    positions: pairs.map((_, i) => position(itemAt(names, i), `dog ${i + 1}`)),
    input: 'input',
    output: 'output',
  });
}

/** A set, or one behind the other, each with the held member braked. */
export function planetaryTrain(making: Making, sets: readonly FoundSet[], asked: readonly SetQuestion[]): Edit {
  // The first set's output is the second one's input.
  const prefix = (i: number) => (sets.length === 1 ? '' : i === 0 ? 'first ' : 'second ');
  const idOf = (i: number, role: string): string =>
    i === 1 && role === itemAt(asked, 1).input ? idOf(0, itemAt(asked, 0).output) : `${prefix(i)}${role}`;
  const members = new Set(sets.flatMap((_, i) => ['sun', 'carrier', 'ring'].map((role) => idOf(i, role))));
  return made(making, {
    members: [
      ...[...members].map((id) => member(id)),
      ...sets.flatMap((set, i) => planetsOf(set, itemAt(asked, i), prefix(i), idOf(i, 'carrier'))),
    ],
    gears: sets.flatMap(({ sun, planet, second, ring }, i) => [
      gear(`${prefix(i)}sun gear`, idOf(i, 'sun'), sun),
      gear(`${prefix(i)}planet gear`, `${prefix(i)}planet`, planet),
      ...(second === undefined
        ? []
        : [
            gear(
              `${prefix(i)}planet gear at the ring`,
              `${prefix(i)}${itemAt(asked, i).shape === 'double-pinion' ? 'outer planet' : 'planet'}`,
              second,
            ),
          ]),
      gear(`${prefix(i)}ring gear`, idOf(i, 'ring'), ring, 'internal'),
    ]),
    meshes: sets.flatMap(({ second }, i) => {
      const named = (id: string) => `${prefix(i)}${id}`;
      const atRing = named(second === undefined ? 'planet gear' : 'planet gear at the ring');
      return [
        { id: named('sun mesh'), gears: [named('sun gear'), named('planet gear')] as [string, string] },
        ...(itemAt(asked, i).shape === 'double-pinion'
          ? [{ id: named('planet mesh'), gears: [named('planet gear'), atRing] as [string, string] }]
          : []),
        { id: named('ring mesh'), gears: [atRing, named('ring gear')] as [string, string] },
      ];
    }),
    couplers: sets.map((_, i) =>
      brake(`${prefix(i)}brake`, `Hold ${prefix(i)}${itemAt(asked, i).held}`, idOf(i, itemAt(asked, i).held)),
    ),
    positions: [position('held', ...sets.map((_, i) => `${prefix(i)}brake`))],
    input: idOf(0, itemAt(asked, 0).input),
    output: idOf(sets.length - 1, itemAt(asked, -1).output),
  });
}

const planetsOf = ({ copies }: FoundSet, { shape }: SetQuestion, prefix: string, carrier: string) => [
  member(`${prefix}planet`, carrier, copies),
  ...(shape === 'double-pinion' ? [member(`${prefix}outer planet`, carrier, copies)] : []),
];

/** The open train with other counts. */
export function withTeeth(train: Train, teeth: ReadonlyMap<string, number>): Edit {
  let edit: Edit = { ok: true, train };
  for (const [id, count] of teeth) if (edit.ok) edit = setTeeth(edit.train, id, count);
  return edit;
}

/** The open train with the wheels of these stages given the counts of the pairs, one after the other. */
export function withStages(train: Train, stages: readonly TrainStage[], chain: readonly CountPair[]): Edit {
  const given = stages.flatMap(({ driver, driven }, i) => [
    [driver, itemAt(chain, i)[0]] as const,
    [driven, itemAt(chain, i)[1]] as const,
  ]);
  const twice = given.find(([gear, teeth]) => given.some(([other, count]) => other === gear && count !== teeth));
  return twice
    ? refused('One wheel stands in two of these pairs and cannot have two counts: choose other pairs.')
    : withTeeth(train, new Map(given));
}

/** The open train with the counts, and the number of planets, of one of its sets. */
export function withSet(train: Train, set: SimpleSet, { sun, planet, ring, copies }: FoundSet): Edit {
  const edit = withTeeth(
    train,
    new Map([
      [set.sun.id, sun],
      [set.planet.id, planet],
      [set.ring.id, ring],
    ]),
  );
  return edit.ok ? changeMember(edit.train, set.planet.member, { copies }) : edit;
}
