import type { SheetBlock, DesignSheet } from '@/core/sheet';
import { escapeMarkdown, markdownText } from '@/ui/table-text';

/** A sheet as Markdown: drawings are named, everything else is there. */
export function sheetMarkdown({ title, head, convention, sections }: DesignSheet): string {
  const lines = [
    `# ${escapeMarkdown(title)}`,
    head.map(([what, says]) => `**${escapeMarkdown(what)}:** ${escapeMarkdown(says)}`).join(' · '),
    escapeMarkdown(convention),
    ...sections.flatMap((section) => [`## ${section.title}`, ...section.blocks.map(blockText)]),
  ];
  return `${lines.filter((text) => text !== '').join('\n\n')}\n`;
}

function blockText(block: SheetBlock): string {
  switch (block.kind) {
    case 'text':
      return escapeMarkdown(block.text);
    case 'list':
      return block.items.map((item) => `- ${escapeMarkdown(item)}`).join('\n');
    case 'lines':
      return `### ${escapeMarkdown(block.title)}\n\n${block.lines.map((line) => `    ${line}`).join('\n')}`;
    case 'table':
      return `${block.caption ? `### ${escapeMarkdown(block.caption)}\n\n` : ''}${markdownText(block).trimEnd()}`;
    case 'side-view':
      return '*The side view is on the printed sheet.*';
    case 'end-view':
      return `*End view: ${escapeMarkdown(block.name)}${block.scale ? `, ${block.scale.text}` : ''}.*`;
    case 'remarks':
      return 'Remarks:';
  }
}
