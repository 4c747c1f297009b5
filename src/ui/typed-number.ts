/** A figure as people type it, with a comma or a point; NaN where it is none, or nothing. */
export const typedNumber = (text: string): number => {
  const plain = text.trim().replace(/^([+-]?\d*),(\d+)/, '$1.$2');
  return plain === '' ? NaN : Number(plain);
};
