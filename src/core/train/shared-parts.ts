/**
 * What was read anew, made of the parts it was read from wherever they say the same, in the same order of keys: so a
 * part that did not change is still the same object, and a document in which nothing had to be put right is the given
 * one itself.
 */
export function withSharedParts<T>(read: T, given: unknown): T {
  if (Object.is(read, given)) return read;
  if (Array.isArray(read) && Array.isArray(given)) return sharedList(read, given) as T;
  if (isPlain(read) && isPlain(given)) return sharedObject(read, given) as T;
  return read;
}

function sharedList(read: readonly unknown[], given: readonly unknown[]): readonly unknown[] {
  const parts = read.map((item, i) => withSharedParts(item, given[i]));
  return parts.length === given.length && parts.every((part, i) => part === given[i]) ? given : parts;
}

function sharedObject(read: Fields, given: Fields): Fields {
  const keys = Object.keys(read);
  const parts = Object.fromEntries(keys.map((key) => [key, withSharedParts(read[key], given[key])]));
  const givenKeys = Object.keys(given);
  const isGiven = keys.every((key, i) => key === givenKeys[i] && parts[key] === given[key]);
  return isGiven && keys.length === givenKeys.length ? given : parts;
}

type Fields = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
