import type { MemberFigures } from '@/core/powerflow';
import { toNumber } from '@/core/rational';
import { wayText } from '@/core/units';
import { exact } from '@/core/words';
import type { TypedInput as Typed } from '@/features/train/input/typed-input';
import { ROLE_TEXT } from '@/features/train/words';
import type { Table } from '@/ui/table-text';
import { memberPower } from '../powers';

/** What the figures say of one member; speed and torque in the units chosen, power in W, null where not known. */
export interface FigureRow {
  readonly id: string;
  readonly name: string;
  readonly state: string;
  readonly carries: boolean;
  /** Turns for one turn put in. */
  readonly exact: string | null;
  readonly way: string;
  readonly speed: number | null;
  readonly torque: number | null;
  readonly power: number | null;
}

export function figureRow(row: MemberFigures, name: string, { speed, torque }: Typed): FigureRow {
  const scaled = (perUnit: number | null, value: number | null) =>
    perUnit === null || value === null ? null : Math.abs(perUnit) * value;
  return {
    id: row.id,
    name,
    state: ROLE_TEXT[row.role] + (row.block && row.role !== 'still' ? ', as one block' : ''),
    carries: row.role === 'carries' || row.role === 'drives' || row.role === 'gives out',
    exact: row.speed && exact(row.speed),
    way: row.speed ? wayText(row.speed) : 'open',
    speed: scaled(row.speed && toNumber(row.speed), speed.value),
    torque: scaled(row.torque && toNumber(row.torque), torque.value),
    power: memberPower(row, torque, speed),
  };
}

/** The rows as a table for a file or the clipboard, its figures plain numbers for a spreadsheet. */
export const figuresTable = (rows: readonly FigureRow[], { speed, torque }: Typed): Table => ({
  head: [
    'Member',
    'Turns per turn put in',
    `Speed, ${speed.unit}`,
    'Direction',
    `Torque, ${torque.unit}`,
    'Power, W',
    'State',
  ],
  rows: rows.map((row) => [
    row.name,
    row.exact?.replace('−', '-') ?? 'left open',
    plain(row.speed),
    row.way,
    plain(row.torque),
    plain(row.power),
    row.state,
  ]),
});

const plain = (value: number | null): string => (value === null ? '' : String(Number(value.toPrecision(7))));
