/**
 * Reading what has to be there. Where it is not, the program is wrong, not the document: the error says what was looked
 * for, instead of a type assertion that nobody checks. The checks are short, so that the engine can set them in place.
 */

/** An item of a list; negative indexes count from its end. @throws RangeError where there is none */
export function itemAt<T>(list: ArrayLike<T>, index: number): T {
  const item = list[index];
  return item === undefined ? itemFromEnd(list, index) : item;
}

function itemFromEnd<T>(list: ArrayLike<T>, index: number): T {
  const at = index < 0 ? list.length + index : index;
  if (!(at in list)) throw new RangeError(`There is no item ${index} in a list of ${list.length}.`);
  return list[at] as T;
}

/** What a map has for a key. @throws RangeError where it has nothing */
export function lookUp<K, V>(map: KeyedBy<K, V>, key: K): V {
  const value = map.get(key);
  return value === undefined ? undefinedFor(map, key) : value;
}

interface KeyedBy<K, V> {
  get(key: K): V | undefined;
  has(key: K): boolean;
}

function undefinedFor<K, V>(map: KeyedBy<K, V>, key: K): V {
  if (!map.has(key)) throw new RangeError(`There is nothing for ${String(key)}.`);
  return undefined as V;
}

/** A value that is there. @throws RangeError where it is null or undefined */
export function required<T>(value: T, what = 'a value'): NonNullable<T> {
  if (value === undefined || value === null) throw new RangeError(`Internal error: ${what} is missing.`);
  return value;
}
