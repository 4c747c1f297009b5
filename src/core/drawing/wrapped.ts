/** A name on the drawing has at most so many lines. */
const MOST_LINES = 3;
/** No line is longer, whatever word stands in it. */
const LONGEST_WORD = 16;

/**
 * A name on lines of at most so many letters, broken between words; a longer word has a line of its own, and a word
 * longer than any line is divided. Only what three lines do not hold is cut.
 */
export function wrapped(name: string, letters: number = LONGEST_WORD): string {
  const lines: string[] = [];
  for (const word of name.split(/\s+/).flatMap(divided)) {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && longer.length <= letters) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  if (lines.length <= MOST_LINES) return lines.join('\n');
  const kept = lines.slice(0, MOST_LINES);
  const [end] = kept.slice(-1);
  return [...kept.slice(0, -1), `${(end ?? '').slice(0, LONGEST_WORD - 1)}…`].join('\n');
}

function divided(word: string): string[] {
  if (word.length <= LONGEST_WORD) return [word];
  return [`${word.slice(0, LONGEST_WORD - 1)}-`, ...divided(word.slice(LONGEST_WORD - 1))];
}
