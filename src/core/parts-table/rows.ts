import { itemAt } from '../required';
import { FRAME, partsById, type Coupler, type Gear, type Mesh, type Train } from '../train';
import { couplerName, gearName, memberName } from '../words';
import { rowsOf, type WrittenRow } from '../written-form';
import type { Cells, PartRow, Section } from './columns';
import { wheelRows } from './wheels';

export type PartsTable = Readonly<Record<Section, readonly PartRow[]>>;

/** A train's parts, as rows of each section. */
export function partsTable(train: Train): PartsTable {
  const rows = rowsOf(train);
  return {
    sets: rows.flatMap((row) => (row.arm === null ? [] : [setRow(train, row)])),
    pairs: rows.flatMap((row) => (row.arm === null ? [pairRow(train, itemAt(row.meshes, 0))] : [])),
    wheels: wheelRows(train),
    couplers: train.couplers.map((coupler) => couplerRow(train, coupler)),
    members: train.members.map(({ id, limit, color }) => ({
      id,
      cells: {
        name: memberName(train, id),
        role: roleOf(train, id),
        ...(limit !== undefined && { limit: `${limit}` }),
        ...(color !== undefined && { color: color.slice(1) }),
      },
      gears: [],
      members: [id],
      couplers: [],
    })),
    positions: train.positions.map(({ id, name, engaged }) => ({
      id,
      cells: { name, engaged: engaged.map((coupler) => couplerName(train, coupler)).join(' + ') },
      gears: [],
      members: [],
      couplers: engaged,
    })),
  };
}

/** What a set is made of: the gears round the axis, and the planets between, each with its gears. */
export interface SetParts {
  readonly sun: Gear | null;
  readonly ring: Gear | null;
  readonly planets: readonly { readonly member: string; readonly gears: readonly Gear[] }[];
  readonly arm: string;
}

/** The set whose first mesh this is; null where there is none. */
export function setOf(train: Train, meshId: string): SetParts | null {
  const row = rowsOf(train).find(({ arm, meshes }) => arm !== null && meshes[0]?.id === meshId);
  return row ? partsOfSet(train, row) : null;
}

function partsOfSet(train: Train, { arm, items }: WrittenRow): SetParts {
  const isPlanet = (member: string) => partsById(train).find.member(member)?.carrier === arm;
  const central = items.flatMap(({ member, gears }) => (isPlanet(member) ? [] : gears));
  const sun = central.find(({ type }) => type !== 'internal') ?? null;
  return {
    sun,
    ring: central.find((gear) => gear !== sun) ?? null,
    planets: items.filter(({ member }) => isPlanet(member)),
    arm: arm ?? FRAME,
  };
}

function setRow(train: Train, row: WrittenRow): PartRow {
  const { sun, ring, planets, arm } = partsOfSet(train, row);
  const copies = [...new Set(planets.map(({ member }) => partsById(train).find.member(member)?.copies ?? ''))];
  const cells: Cells = {
    kind: setKind({ sun, planets }),
    ...(sun && { sun: `${sun.teeth}`, sunOn: nameOf(train, sun.member) }),
    planet: planets.map(({ gears }) => gears.map(({ teeth }) => teeth).join('/')).join(' + '),
    planetOn: planets.map(({ member }) => nameOf(train, member)).join(' + '),
    copies: copies.join(' + '),
    ...(ring && { ring: `${ring.teeth}`, ringOn: nameOf(train, ring.member) }),
    carrier: nameOf(train, arm),
  };
  const gears = row.items.flatMap((item) => item.gears.map(({ id }) => id));
  return {
    id: itemAt(row.meshes, 0).id,
    cells,
    gears,
    members: [...row.items.map(({ member }) => member), arm],
    couplers: [],
  };
}

/** What kind of set it is: how its planets are, or that it is of bevel gears. */
export function setKind({ sun, planets }: Pick<SetParts, 'sun' | 'planets'>): string {
  if (sun?.type === 'bevel') return 'bevel';
  if (planets.some(({ gears }) => gears.length > 1)) return 'stepped';
  return planets.length > 1 ? 'double' : 'simple';
}

function pairRow(train: Train, mesh: Mesh): PartRow {
  const [a, b] = partsById(train).pair(mesh);
  return {
    id: mesh.id,
    cells: {
      driver: `${a.teeth}`,
      driverOn: nameOf(train, a.member),
      mate: `${b.teeth}`,
      mateOn: nameOf(train, b.member),
      kind: pairKind(a, b),
      sense: mesh.sense === undefined ? '' : mesh.sense === 'same' ? 'same way' : 'opposite',
    },
    gears: [a.id, b.id],
    members: [a.member, b.member],
    couplers: [],
  };
}

export function pairKind(a: Gear, b: Gear): string {
  if (a.type === 'worm') return 'worm';
  if (a.type === 'sprocket') return 'chain';
  if (a.type === 'pulley') return 'belt';
  if (a.type === 'bevel' || b.type === 'bevel') return 'bevel';
  return a.type === 'internal' || b.type === 'internal' ? 'inside' : 'external';
}

function couplerRow(train: Train, coupler: Coupler): PartRow {
  const { id, style = '' } = coupler;
  const base = { name: couplerName(train, id), style };
  if (coupler.type === 'sliding-mesh') {
    const [a, b] = partsById(train).pair(partsById(train).mesh(coupler.mesh));
    const cells = { ...base, kind: 'slide', a: gearName(train, a), b: gearName(train, b) };
    return { id, cells, gears: [a.id, b.id], members: [], couplers: [id] };
  }
  const [a, b] = coupler.joins;
  return {
    id,
    cells: { ...base, kind: coupler.type, a: nameOf(train, a), b: nameOf(train, b) },
    gears: [],
    members: [a, b].filter((member) => member !== FRAME),
    couplers: [id],
  };
}

/** What a member is called in a cell. */
export const nameOf = (train: Train, id: string): string => (id === FRAME ? FRAME : memberName(train, id));

const roleOf = (train: Train, id: string): string =>
  id === train.input ? 'input' : train.outputs.includes(id) ? 'output' : '';
