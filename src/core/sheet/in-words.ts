import type { Train } from '../train';
import { inWords, namesIn, type PartWords } from '../words';
import type { DesignSheet, SheetBlock } from './sheet';

/** A sheet with the chosen words for parts; the train's own names stay. */
export function sheetInWords(sheet: DesignSheet, train: Train, words: PartWords): DesignSheet {
  const names = namesIn(train);
  const told = (text: string) => inWords(text, words, names);
  return {
    ...sheet,
    sections: sheet.sections.map((section) => ({ ...section, blocks: section.blocks.map((one) => block(one, told)) })),
  };
}

function block(one: SheetBlock, told: (text: string) => string): SheetBlock {
  switch (one.kind) {
    case 'text':
      return { ...one, text: told(one.text) };
    case 'list':
      return { ...one, items: one.items.map(told) };
    case 'lines':
      return { ...one, title: told(one.title), lines: one.lines.map(told) };
    case 'table':
      return {
        ...one,
        ...(one.caption !== undefined && { caption: told(one.caption) }),
        head: one.head.map(told),
        rows: one.rows.map((row) => row.map(told)),
      };
    case 'end-view':
      return { ...one, name: told(one.name) };
    default:
      return one;
  }
}
