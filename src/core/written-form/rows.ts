import { armOf, FRAME, isAlike, partsById, type Gear, type Mesh, type Train } from '../train';
import { itemAt } from '../required';

/** Gears that are written in one statement, one meshing with the next, in the order of the document's meshes. */
export interface WrittenRow {
  /** The carrier of its planets; null of pairs on fixed axes. */
  readonly arm: string | null;
  readonly items: readonly { readonly member: string; readonly gears: readonly Gear[] }[];
  readonly meshes: readonly Mesh[];
}

/**
 * All meshes of a train in as few statements as tell them in their order.
 * @param ahead gears that are written before
 */
export function rowsOf(train: Train, ahead: readonly Gear[] = []): readonly WrittenRow[] {
  const parts = partsById(train);
  const slid = new Set(train.couplers.flatMap((coupler) => (coupler.type === 'sliding-mesh' ? [coupler.mesh] : [])));
  const rows: { arm: string | null; items: { member: string; gears: Gear[] }[]; meshes: Mesh[] }[] = [];
  for (const mesh of train.meshes) {
    const [a, b] = parts.pair(mesh);
    const carriedBy = armOf(a.member, b.member, parts.find.member);
    const arm = carriedBy === FRAME ? null : carriedBy;
    const isPlanet = (gear: Gear) => arm !== null && parts.find.member(gear.member)?.carrier === arm;
    const row = rows.at(-1);
    const last = row?.items.at(-1);
    const lastMesh = row?.meshes.at(-1);
    const goesOn =
      row !== undefined &&
      last !== undefined &&
      lastMesh !== undefined &&
      arm !== null &&
      row.arm === arm &&
      saysAll(itemAt(row.meshes, 0), mesh) &&
      !slid.has(mesh.id) &&
      !slid.has(lastMesh.id) &&
      // A row ends with the second gear that is no planet, and none stands in it twice.
      isPlanet(itemAt(last.gears, -1)) &&
      !row.items.some(({ member }) => member === b.member) &&
      (itemAt(last.gears, -1) === a ||
        (last.member === a.member && isStep(last.gears, a, [...ahead, ...gearsOf(rows.slice(0, -1))])));
    if (!goesOn) {
      rows.push({ arm, items: [a, b].map((gear) => ({ member: gear.member, gears: [gear] })), meshes: [mesh] });
      continue;
    }
    if (itemAt(last.gears, -1) !== a) last.gears.push(a);
    row.items.push({ member: b.member, gears: [b] });
    row.meshes.push(mesh);
  }
  return rows;
}

const SAID = ['sense', 'efficiency', 'backEfficiency', 'selfLocking', 'centre'] as const;

/** Whatever is said of the first pair of a row holds for the others, unless they say it otherwise. */
const saysAll = (first: Mesh, mesh: Mesh): boolean =>
  SAID.every((word) => first[word] === undefined || mesh[word] !== undefined);

/** A planet goes on with another of its gears where both stand here for the first time. */
const isStep = ([gear, ...others]: readonly Gear[], next: Gear, before: readonly Gear[]): boolean =>
  gear !== undefined && others.length === 0 && isAlike(gear, next) && !before.includes(gear) && !before.includes(next);

/** All gears that stand in rows, in the order in which they do. */
export const gearsOf = (rows: readonly WrittenRow[]): readonly Gear[] =>
  rows.flatMap(({ items }) => items.flatMap(({ gears }) => gears));
