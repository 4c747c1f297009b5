/** Of a generator that comes to every number below a power of two before any comes again (Hull and Dobell, 1962). */
const [FACTOR, ADDED] = [1_664_525, 1_013_904_223];

/**
 * The numbers below so many, each once, in an order without any order, the same each time: what lies together is come
 * upon early, and how long it takes to the first of what is sought does not hang on where it is.
 */
export function* scattered(count: number): Generator<number> {
  let size = 1;
  while (size < count) size *= 2;
  for (let i = 0, at = 0; i < size; i++) {
    at = (Math.imul(at, FACTOR) + ADDED) & (size - 1);
    if (at < count) yield at;
  }
}
