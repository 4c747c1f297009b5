export { SECTIONS, sheetOf, type Block, type Scale, type SectionKey, type Sheet, type SheetAsked } from './sheet';
