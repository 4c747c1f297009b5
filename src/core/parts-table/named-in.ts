/**
 * The names that a cell lists, with + between, or commas where what stands between two + is no name itself.
 * @param known names that there are, of which some may have a comma or a + in them
 */
export function namedIn(text: string, known: readonly string[]): string[] {
  const names = new Set(known.map((name) => name.toLowerCase()));
  const isKnown = (name: string) => names.has(name.trim().toLowerCase());
  if (isKnown(text)) return [text.trim()];
  return text
    .split('+')
    .flatMap((piece) => (isKnown(piece) ? [piece] : piece.split(',')))
    .map((name) => name.trim())
    .filter((name) => name !== '' && name !== 'nothing');
}
