import { distance } from 'fastest-levenshtein';

/** That nothing of a kind is called so, and what may have been meant. */
export function missingText(what: string, name: string, names: readonly string[]): string {
  const near = nearest(name, names);
  return `No ${what} is called “${name}”.${near === null ? '' : ` Did you mean “${near}”?`}`;
}

/** Which of these was probably meant, or begun; null where none is near: two letters may be others, of
 * long words every third. */
export function nearest(said: string, known: readonly string[]): string | null {
  const begun = said.length > 1 ? known.find((word) => word.toLowerCase().startsWith(said.toLowerCase())) : undefined;
  if (begun !== undefined) return begun;
  let best: string | null = null;
  let least = Math.max(said.length < 4 ? 1 : 2, Math.floor(said.length / 3)) + 1;
  for (const word of known) {
    const away = distance(said.toLowerCase(), word.toLowerCase());
    if (away < least) [best, least] = [word, away];
  }
  return best;
}
