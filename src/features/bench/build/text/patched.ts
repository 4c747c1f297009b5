import { changedSpan } from '@/ui/written/changed-span';

/**
 * A text with the lines changed that the program wrote otherwise before and after: remarks, order and blank lines that
 * people gave it stay.
 * @param before what the program wrote of the train before
 * @param after and of the train now
 * @returns null where a line that has to go is not in the text as the program wrote it
 */
export function patchedText(text: string, before: string, after: string): string | null {
  const [was, now] = [before.split('\n'), after.split('\n')];
  const { start, end } = changedSpan(was, now);
  const gone = was.slice(start, was.length - end);
  const come = now.slice(start, now.length - end);
  const lines = text.split('\n');
  const at = (line: string) => lines.findIndex((own) => statementIn(own) === line.trim());
  if (gone.length === come.length) {
    for (const [i, line] of gone.entries()) {
      if (line === come[i]) continue;
      const place = at(line);
      if (place < 0 || line.trim() === '') return null;
      lines[place] = (lines[place] ?? '').replace(line.trim(), () => come[i] ?? '');
    }
    return lines.join('\n');
  }
  for (const line of gone) {
    if (line.trim() === '') continue;
    const place = at(line);
    if (place < 0) return null;
    lines.splice(place, 1);
  }
  const ahead = was.slice(0, start).findLast((line) => line.trim() !== '' && at(line) >= 0);
  lines.splice(ahead === undefined ? lines.length : at(ahead) + 1, 0, ...come.filter((line) => line.trim() !== ''));
  return lines.join('\n');
}

/** A line without its remark; a # in quotes is none. */
const statementIn = (line: string): string => (/^(?:"(?:[^"\\]|\\.)*"|[^"#]|\S#)*/.exec(line)?.[0] ?? line).trim();
