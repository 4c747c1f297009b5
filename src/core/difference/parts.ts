import {
  FRAME,
  GEAR_FIGURES,
  GEAR_SIZES,
  partsById,
  sizesOf,
  TRAIN_FIGURES,
  type Coupler,
  type FigureWords,
  type Gear,
  type Member,
  type Mesh,
  type Position,
  type Train,
} from '../train';
import { couplerName, gearName, memberName } from '../words';
import { fieldChanges, type FieldWords } from './fields';

const MEMBER: readonly FieldWords<Member>[] = [
  { word: 'equal planets', read: ({ copies }) => copies },
  { word: 'colour', read: ({ color }) => color },
  { word: 'allowed torque', read: ({ limit }) => limit, unit: 'N·m' },
  { word: 'bearings at', read: ({ bearings }) => bearings?.join(' and '), unit: 'mm' },
];
const GEAR: readonly FieldWords<Gear>[] = [
  { word: 'type', read: ({ type }) => type },
  ...figureFields<Gear, (typeof GEAR_FIGURES)[number]['key']>(GEAR_FIGURES),
  { word: 'material', read: ({ material }) => material },
  { word: 'herringbone', read: ({ herringbone }) => herringbone ?? false },
  ...GEAR_SIZES.map(({ key }) => ({ word: key, read: (gear: Gear) => sizesOf(gear, key)?.join(' × '), unit: 'mm' })),
];
const MESH: readonly FieldWords<Mesh>[] = [
  { word: 'sense', read: ({ sense }) => sense },
  { word: 'efficiency', read: ({ efficiency }) => efficiency },
  { word: 'efficiency backward', read: ({ backEfficiency }) => backEfficiency },
  { word: 'self-locking', read: ({ selfLocking }) => selfLocking ?? false },
  { word: 'centre distance', read: ({ centre }) => centre, unit: 'mm' },
];
const COUPLER: readonly FieldWords<Coupler>[] = [
  { word: 'type', read: ({ type }) => type },
  { word: 'style', read: ({ style }) => style },
  { word: 'capacity', read: ({ capacity }) => capacity, unit: 'N·m' },
  { word: 'control', read: (coupler) => ('control' in coupler ? coupler.control : undefined) },
  { word: 'station', read: ({ station }) => station },
  { word: 'radius', read: ({ radius }) => radius, unit: 'mm' },
];
const HEADER: readonly FieldWords<Train>[] = [
  { word: 'name', read: ({ name }) => `“${name}”` },
  { word: 'efficiency of meshes', read: ({ efficiency }) => efficiency },
  ...figureFields<Train, (typeof TRAIN_FIGURES)[number]['key']>(TRAIN_FIGURES),
];

/** The words of fields that are one figure. */
function figureFields<T extends object, K extends keyof T>(figures: readonly FigureWords<K>[]): FieldWords<T>[] {
  return figures.map(({ key, word, says = word, unit }) => ({
    word: says,
    read: (item) => item[key] as number | undefined,
    ...(unit !== undefined && { unit }),
  }));
}

/** What is different in the parts, one short sentence for each part that was added, removed or changed. */
export function partChanges(before: Train, after: Train): string[] {
  const words = { was: wordsOf(before), is: wordsOf(after) };
  return [
    ...fieldChanges(HEADER, before, after),
    ...(before.notes === after.notes ? [] : ['notes changed']),
    ...changesOf(MEMBERS, words, before.members, after.members),
    ...changesOf(GEARS, words, before.gears, after.gears),
    ...changesOf(MESHES, words, before.meshes, after.meshes),
    ...changesOf(COUPLERS, words, before.couplers, after.couplers),
    ...changesOf(POSITIONS, words, before.positions, after.positions),
    ...orderChange(before.positions, after.positions),
    ...endChanges(words, before, after),
    ...(same(before.selectors ?? [], after.selectors ?? []) ? [] : ['selectors changed']),
    ...(same(before.tipSpeedLimits ?? {}, after.tipSpeedLimits ?? {}) ? [] : ['limits of tip speed changed']),
    ...(same(before.elasticity ?? {}, after.elasticity ?? {}) ? [] : ['moduli of elasticity changed']),
    ...(same(before.setAside ?? [], after.setAside ?? [])
      ? []
      : [`findings set aside: ${before.setAside?.length ?? 0} → ${after.setAside?.length ?? 0}`]),
  ];
}

/** How the parts of both documents are called. */
interface BothWords {
  readonly was: Words;
  readonly is: Words;
}

/** What is said of one kind of part that came, went, or is another than it was. */
interface PartSentences<P> {
  readonly added: (now: P, words: Words) => string;
  readonly removed: (old: P, words: Words) => string;
  readonly changed: (old: P, now: P, words: BothWords) => readonly string[];
}

const changesOf = <P extends { readonly id: string }>(
  says: PartSentences<P>,
  words: BothWords,
  before: readonly P[],
  after: readonly P[],
): readonly string[] =>
  inOrder(before, after).flatMap(({ old, now }) => {
    if (now) return old ? says.changed(old, now, words) : [says.added(now, words.is)];
    return old ? [says.removed(old, words.was)] : [];
  });

/** What is said where one and the same thing is called otherwise, or stands elsewhere, than before. */
const unlessSame = (old: string, now: string, says: string): readonly string[] => (old === now ? [] : [says]);

const MEMBERS: PartSentences<Member> = {
  added: ({ id }, { member }) => `${member(id)} added`,
  removed: ({ id }, { member }) => `${member(id)} removed`,
  changed: (old, now, { was, is }) => {
    const [before, name] = [was.member(old.id), is.member(now.id)];
    const carriers = [was.member(old.carrier ?? FRAME), is.member(now.carrier ?? FRAME)];
    const carried = old.carrier === now.carrier ? [] : [`carried by ${carriers[1]} instead of ${carriers[0]}`];
    return [
      ...unlessSame(before, name, `${before}, now called ${name}`),
      ...about(name, [...carried, ...fieldChanges(MEMBER, old, now)]),
    ];
  },
};

const GEARS: PartSentences<Gear> = {
  added: (now, { gear }) => `gear of ${gear(now)} added`,
  removed: (old, { gear }) => `gear of ${gear(old)} removed`,
  changed: (old, now, { was, is }) => {
    const teeth = old.teeth === now.teeth ? [] : [`${old.teeth} → ${now.teeth} teeth`];
    const moved =
      old.member === now.member ? [] : [`fixed to ${is.member(now.member)} instead of ${was.member(old.member)}`];
    return about(
      `${was.member(old.member)}’s gear${teeth.length > 0 ? '' : ` of ${now.teeth}`}`,
      [...teeth, ...moved, ...fieldChanges(GEAR, old, now)],
      ' ',
    );
  },
};

const MESHES: PartSentences<Mesh> = {
  added: (now, { mesh }) => `${mesh(now)} mesh`,
  removed: (old, { mesh }) => `${mesh(old)} no longer mesh`,
  changed: (old, now, { was, is }) => [
    ...unlessSame(
      [...old.gears].sort().join(),
      [...now.gears].sort().join(),
      `${is.mesh(now)} mesh instead of ${was.mesh(old)}`,
    ),
    ...about(`mesh of ${is.mesh(now)}`, fieldChanges(MESH, old, now)),
  ],
};

const COUPLERS: PartSentences<Coupler> = {
  added: (now, { coupler, between }) => `${coupler(now.id)} added ${between(now)}`,
  removed: (old, { coupler }) => `${coupler(old.id)} removed`,
  changed: (old, now, { was, is }) => {
    const [before, name] = [was.coupler(old.id), is.coupler(now.id)];
    const moved = same(joinedBy(old), joinedBy(now)) ? [] : [`${is.between(now)}, was ${was.between(old)}`];
    return [
      ...unlessSame(before, name, `${before}, now called ${name}`),
      ...about(name, [...moved, ...fieldChanges(COUPLER, old, now)]),
    ];
  },
};

const POSITIONS: PartSentences<Position> = {
  added: ({ name }) => `position ${name} added`,
  removed: ({ name }) => `position ${name} removed`,
  changed: (old, now, { was, is }) => [
    ...unlessSame(old.name, now.name, `position ${old.name}, now called ${now.name}`),
    ...about(`position ${now.name}`, [
      ...engagedChanges(old, now, was, is),
      ...(old.ladder === now.ladder ? [] : [now.ladder === false ? 'left out of the ladder' : 'in the ladder']),
    ]),
  ],
};

/** What is different in where power goes in and comes out. */
const endChanges = ({ was, is }: BothWords, before: Train, after: Train): readonly string[] => [
  ...(before.input === after.input ? [] : [`input: ${was.member(before.input)} → ${is.member(after.input)}`]),
  ...(same(before.outputs, after.outputs)
    ? []
    : [`output: ${before.outputs.map(was.member).join(', ')} → ${after.outputs.map(is.member).join(', ')}`]),
];

interface Words {
  readonly member: (id: string) => string;
  readonly coupler: (id: string) => string;
  readonly gear: (gear: Gear) => string;
  readonly mesh: (mesh: Mesh) => string;
  readonly between: (coupler: Coupler) => string;
}

/** How a document's parts are called. */
function wordsOf(train: Train): Words {
  const member = (id: string) => memberName(train, id);
  const gear = (id: string) => {
    const found = partsById(train).find.gear(id);
    return found ? `${member(found.member)}’s ${found.teeth}` : id;
  };
  const mesh = ({ gears: [a, b] }: Mesh) => `${gear(a)} and ${gear(b)}`;
  const between = (coupler: Coupler) => {
    if ('joins' in coupler) return `between ${coupler.joins.map(member).join(' and ')}`;
    const slid = partsById(train).find.mesh(coupler.mesh);
    return slid ? `at ${mesh(slid)}` : '';
  };
  return { member, coupler: (id) => couplerName(train, id), gear: (gear) => gearName(train, gear), mesh, between };
}

const joinedBy = (coupler: Coupler): readonly string[] => ('joins' in coupler ? coupler.joins : [coupler.mesh]);

/** The parts of both by id: in the new order, then those that are gone. */
function inOrder<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): ({ old: T; now: T } | { old: T; now: undefined } | { old: undefined; now: T })[] {
  const old = new Map(before.map((item) => [item.id, item]));
  const left = new Set(after.map(({ id }) => id));
  return [
    ...after.map((now) => ({ old: old.get(now.id) as T, now })),
    ...before.filter(({ id }) => !left.has(id)).map((gone) => ({ old: gone, now: undefined })),
  ];
}

const about = (subject: string, changes: readonly string[], between = ': '): string[] =>
  changes.length === 0 ? [] : [`${subject}${between}${changes.join(', ')}`];

function engagedChanges(old: Position, now: Position, was: Words, is: Words): string[] {
  const on = now.engaged.filter((id) => !old.engaged.includes(id)).map(is.coupler);
  const off = old.engaged.filter((id) => !now.engaged.includes(id)).map(was.coupler);
  return [
    ...(on.length > 0 ? [`engages ${on.join(', ')}`] : []),
    ...(off.length > 0 ? [`releases ${off.join(', ')}`] : []),
  ];
}

function orderChange(before: readonly Position[], after: readonly Position[]): string[] {
  const left = new Set(after.map(({ id }) => id));
  const known = new Set(before.map(({ id }) => id));
  const [old, now] = [before.filter(({ id }) => left.has(id)), after.filter(({ id }) => known.has(id))];
  return same(
    old.map(({ id }) => id),
    now.map(({ id }) => id),
  )
    ? []
    : [`positions stand in the order ${after.map(({ name }) => name).join(', ')}`];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
