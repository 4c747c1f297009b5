export { addRow, type NewRow } from './add-row';
export {
  COLUMNS,
  COUPLER_KINDS,
  PAIR_KINDS,
  ROLES,
  SENSES,
  SET_KINDS,
  type Cells,
  type Column,
  type PartRow,
  type Section,
} from './columns';
export { editCell } from './edit-cell';
export { moveRow } from './move-row';
export { removeRows } from './remove-rows';
export { addWrittenPosition } from './written-position';
export { partsTable, type PartsTable } from './rows';
