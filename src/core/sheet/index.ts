export { sheetInWords } from './in-words';
export {
  SECTIONS,
  sheetOf,
  type SheetBlock,
  type SheetScale,
  type SectionKey,
  type DesignSheet,
  type SheetAsked,
} from './sheet';
