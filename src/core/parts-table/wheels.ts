import {
  changeGear,
  GEAR_FIGURES,
  MATERIALS,
  partsById,
  refused,
  type Edit,
  type Gear,
  type GearChange,
  type Train,
} from '../train';
import { readFigure } from '../units';
import { gearName, listed } from '../words';
import type { Column, PartRow } from './columns';

/** What stands in a column of wheels, as the document names it. */
const FIELDS = {
  module: 'module',
  width: 'faceWidth',
  shift: 'shift',
  helix: 'helix',
  bore: 'bore',
  station: 'station',
} as const satisfies Partial<Record<Column, keyof Gear>>;

type WheelColumn = keyof typeof FIELDS;

const COLUMNS_OF = Object.keys(FIELDS) as WheelColumn[];

/** How each gear is cut and where it stands, a row for each in the order of the document. */
export const wheelRows = (train: Train): readonly PartRow[] =>
  train.gears.map((gear) => ({
    id: gear.id,
    cells: {
      wheel: gearName(train, gear),
      ...Object.fromEntries(
        COLUMNS_OF.flatMap((column) =>
          gear[FIELDS[column]] === undefined ? [] : [[column, `${gear[FIELDS[column]]}`]],
        ),
      ),
      ...(gear.material && { material: gear.material }),
    },
    gears: [gear.id],
    members: [gear.member],
    couplers: [],
  }));

/** What a changed cell makes of a wheel; emptied, what it said is taken away. */
export function editWheel(train: Train, id: string, column: Column, said: string): Edit {
  const gear = partsById(train).find.gear(id);
  if (!gear) return refused('This wheel is not there any more.');
  if (column === 'wheel')
    return said === gearName(train, gear)
      ? { ok: true, train }
      : refused('Its count and member are changed in the rows of sets and pairs.');
  if (column === 'material') {
    const material = MATERIALS.find((one) => one === said.toLowerCase());
    return material === undefined && said !== ''
      ? refused(`“${said}” is no material that is known: ${listed([...MATERIALS])}.`)
      : changeGear(train, id, { material });
  }
  if (!isWheelColumn(column)) return refused('This is not changed here.');
  const words = GEAR_FIGURES.find(({ key }) => key === FIELDS[column]);
  const value = said === '' ? undefined : readFigure(said, words && 'unit' in words && words.unit === 'mm' ? 'mm' : '');
  if (value !== undefined && !Number.isFinite(value)) return refused(`“${said}” is no figure.`);
  return changeGear(train, id, { [FIELDS[column]]: value } as GearChange);
}

const isWheelColumn = (column: Column): column is WheelColumn => Object.hasOwn(FIELDS, column);
