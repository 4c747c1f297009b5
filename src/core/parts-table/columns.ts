/** The parts of a train as people list them: a section each, with a row for each part. */
export const COLUMNS = {
  sets: ['kind', 'sun', 'sunOn', 'planet', 'planetOn', 'copies', 'ring', 'ringOn', 'carrier'],
  pairs: ['driver', 'driverOn', 'mate', 'mateOn', 'kind', 'sense'],
  wheels: ['wheel', 'module', 'width', 'material', 'shift', 'helix', 'bore', 'station'],
  couplers: ['name', 'kind', 'a', 'b', 'style'],
  members: ['name', 'role', 'limit', 'color'],
  positions: ['name', 'engaged'],
} as const;

export type Section = keyof typeof COLUMNS;
export type ColumnOf<S extends Section> = (typeof COLUMNS)[S][number];
export type Column = ColumnOf<Section>;

/** What stands in a row, by column; what is not said is left out or empty. */
export type Cells = Readonly<Partial<Record<Column, string>>>;

/** A row of a whole part, and the parts of the train that it is about. */
export interface PartRow {
  /** The id of its part; of a set that of its first mesh. */
  readonly id: string;
  readonly cells: Cells;
  readonly gears: readonly string[];
  readonly members: readonly string[];
  readonly couplers: readonly string[];
}

export const SET_KINDS = ['simple', 'stepped', 'double', 'bevel'] as const;
export const PAIR_KINDS = ['external', 'inside', 'bevel', 'worm', 'chain', 'belt'] as const;
export const COUPLER_KINDS = ['brake', 'clutch', 'one-way', 'slide'] as const;
export const ROLES = ['input', 'output'] as const;
export const SENSES = ['same way', 'opposite'] as const;
