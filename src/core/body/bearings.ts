import { itemAt } from '../required';
import { FRAME } from '../train';
import { NONE, type AxisWork } from './axis-work';
import { filledOn } from './filled-on';
import { cellOf } from './lattice';
import type { NodeBook } from './node-book';
import type { RoomTaken, SolidRing } from './touching';
import { addTurned, ringSection } from './turned';

/** Grey rings round the ends of shafts, where there is room for them. */
export function addBearings(book: NodeBook, work: AxisWork, room: RoomTaken): void {
  const { half, columns, axis, walls, detail, radii, isAlone } = work;
  const onAxis = [...filledOn(work).values()].flatMap((own) => [...own].flatMap((key) => onAxisColumn(key)));
  const ends = isAlone && onAxis.length > 0 ? [Math.min(...onAxis), Math.max(...onAxis)] : [];
  const places = [
    ...ends.map((column) => ({ column, row: 0 })),
    ...half.plane.terminals.flatMap(({ leaves, cells }) =>
      leaves ? cells.map(({ x, row }) => ({ column: 2 * x, row: 2 * row })) : [],
    ),
  ];
  for (const { column, row } of places) {
    if (column < 0 || column + 1 >= columns.length) continue;
    const inside = radii.at(column / 2, row + 1) * LOOSE;
    const ring: SolidRing = {
      member: FRAME,
      part: { kind: 'member', id: FRAME },
      axis,
      z0: itemAt(columns, column),
      z1: itemAt(columns, column + 1),
      r0: inside,
      r1: inside + walls.wall,
      field: null,
      carried: null,
      mates: NONE,
      joins: NONE,
    };
    if (room.isFree(ring))
      addTurned(book.member(FRAME, axis), ringSection(ring.z0, ring.z1, ring.r0, ring.r1), detail.sides);
  }
}

/** A bearing is wider than its shaft. */
const LOOSE = 1.02;

/** The column of a field on the axis itself. */
function onAxisColumn(key: string): readonly number[] {
  const { x: column, row } = cellOf(key);
  return row === 0 && column % 2 === 0 ? [column] : [];
}
