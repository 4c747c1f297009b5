import { itemAt } from '../required';
import { GEAR_FIGURES, GEAR_SIZES, partsById, sizesOf, type Gear, type Mesh, type Train } from '../train';
import { couplerWord, memberWord } from './names';
import type { WrittenRow } from './rows';
import { TYPE_WORDS, USUAL_TYPES, type GearKind } from './words';

/** Gears of one member, written ahead of the rows. */
export const gearLine = (train: Train, gears: readonly [Gear, ...Gear[]]): string =>
  [
    `gear: ${countsOf(gears)}${typeWord(gears[0], 'external')} on ${memberWord(train, gears[0].member)}`,
    ...gearClauses(gears[0]),
  ].join(', ');

/** Rows of gears; those that stand further up already are named by their member. */
export function rowLines(train: Train, rows: readonly WrittenRow[], ahead: readonly Gear[]): string[] {
  const written = new Set(ahead);
  const counted = new Set<string>();
  return rows.map((row) => {
    const line = rowLine(train, row, written, counted);
    for (const { gears, member } of row.items) {
      for (const gear of gears) written.add(gear);
      if (isPlanet(train, row, member)) counted.add(member);
    }
    return line;
  });
}

/** @param counted planets of which it is said how many there are */
function rowLine(train: Train, row: WrittenRow, written: ReadonlySet<Gear>, counted: ReadonlySet<string>): string {
  const kind = kindOf(row);
  const fresh = row.items.flatMap(({ gears }) => gears).filter((gear) => !written.has(gear));
  const shared = new Set(fresh.map((gear) => gearClauses(gear).join())).size === 1;
  const items = row.items.map((item, i) => {
    const gear = itemAt(item.gears, 0);
    const role = roleOf(train, row, gear);
    const pair = i === 0 ? [] : otherClauses(row, i - 1);
    const copies = role === 'planet ' && !counted.has(item.member) ? copiesOf(train, item.member) : '';
    if (written.has(gear)) return `${role}${sameGear(train, gear)}${copies}${inBrackets(pair)}`;
    const usual = role === 'ring ' ? 'internal' : USUAL_TYPES[kind][i === 0 ? 0 : 1];
    const own = [...(shared ? [] : gearClauses(gear)), ...pair];
    const on = `on ${memberWord(train, item.member)}${copies}`;
    return `${role}${countsOf(item.gears)}${typeWord(gear, usual)} ${on}${inBrackets(own)}`;
  });
  const gears = row.arm === null ? [items.join(' drives ')] : [...items, `carrier on ${memberWord(train, row.arm)}`];
  const clauses = [...(shared ? gearClauses(itemAt(fresh, 0)) : []), ...firstClauses(row)];
  return `${kind}${labelOf(train, row)}: ${[...gears, ...clauses].join(', ')}`;
}

function kindOf({ arm, items }: WrittenRow): GearKind {
  if (arm !== null) return 'set';
  const [a, b] = items.map(({ gears }) => itemAt(gears, 0).type);
  if (a === 'worm') return 'worm';
  if (a === 'bevel' && b === 'bevel') return 'bevel';
  if (a === 'sprocket') return 'chain';
  return a === 'pulley' ? 'belt' : 'pair';
}

const isPlanet = (train: Train, { arm }: WrittenRow, member: string): boolean =>
  arm !== null && partsById(train).find.member(member)?.carrier === arm;

function roleOf(train: Train, row: WrittenRow, { member, type }: Gear): '' | 'planet ' | 'ring ' | 'sun ' {
  if (row.arm === null) return '';
  if (isPlanet(train, row, member)) return 'planet ';
  return type === 'internal' ? 'ring ' : 'sun ';
}

function copiesOf(train: Train, member: string): string {
  const copies = partsById(train).find.member(member)?.copies;
  return copies === undefined ? '' : ` x${copies}`;
}

/** "same on idler", "same no 2 on countershaft". */
function sameGear(train: Train, gear: Gear): string {
  const there = partsById(train).gearsOn(gear.member);
  const nth = there.length === 1 ? '' : ` no ${there.indexOf(gear) + 1}`;
  return `same${nth} on ${memberWord(train, gear.member)}`;
}

const countsOf = (gears: readonly Gear[]): string => gears.map(({ teeth }) => teeth).join('/');
const typeWord = ({ type }: Gear, usual: Gear['type']): string => (type === usual ? '' : ` ${TYPE_WORDS[type]}`);
const inBrackets = (clauses: readonly string[]): string => (clauses.length === 0 ? '' : ` (${clauses.join(', ')})`);

function gearClauses(gear: Gear): string[] {
  const figures = GEAR_FIGURES.flatMap(({ key, word }) => (gear[key] === undefined ? [] : [`${word} ${gear[key]}`]));
  // The material stands behind the sizes that every wheel has.
  const sized = GEAR_FIGURES.slice(0, 2).filter(({ key }) => gear[key] !== undefined).length;
  return [
    ...figures.slice(0, sized),
    ...(gear.material === undefined ? [] : [gear.material]),
    ...figures.slice(sized),
    ...(gear.herringbone === undefined ? [] : [gear.herringbone ? 'herringbone' : 'not herringbone']),
    ...GEAR_SIZES.flatMap(({ key }) => {
      const sizes = sizesOf(gear, key);
      return sizes ? [`${key} ${sizes.join(' by ')}`] : [];
    }),
  ];
}

/** What is said of the first pair of a row, and so of all that do not say otherwise. */
const firstClauses = ({ meshes, items }: WrittenRow): string[] =>
  meshClauses(itemAt(meshes, 0), {
    // How a bevel or a worm turns is said where it is not the usual.
    sense: items.slice(0, 2).some(({ gears }) => gears.some(({ type }) => type === 'bevel' || type === 'worm'))
      ? 'opposite'
      : undefined,
  });

/** What is said of another pair of a row, as far as it is not said of the first. */
const otherClauses = ({ meshes }: WrittenRow, nth: number): string[] =>
  nth === 0 ? [] : meshClauses(itemAt(meshes, nth), itemAt(meshes, 0));

type MeshWords = Partial<Pick<Mesh, 'sense' | 'efficiency' | 'backEfficiency' | 'selfLocking' | 'centre'>>;

function meshClauses(mesh: MeshWords, known: MeshWords): string[] {
  const { sense, efficiency, backEfficiency, selfLocking, centre } = mesh;
  return [
    ...(sense === known.sense || sense === undefined ? [] : [sense === 'same' ? 'same way' : 'opposite']),
    ...(efficiency === known.efficiency ? [] : [`efficiency ${efficiency}`]),
    ...(backEfficiency === known.backEfficiency ? [] : [`back efficiency ${backEfficiency}`]),
    ...(selfLocking === known.selfLocking ? [] : [selfLocking ? 'self-locking' : 'not self-locking']),
    ...(centre === known.centre ? [] : [`centre ${centre}`]),
  ];
}

/** A pair that slides is called like what slides it. */
function labelOf(train: Train, { meshes }: WrittenRow): string {
  const [first] = meshes;
  const slide = train.couplers.find((coupler) => coupler.type === 'sliding-mesh' && coupler.mesh === first?.id);
  return slide ? ` ${couplerWord(train, slide.id)}` : '';
}
