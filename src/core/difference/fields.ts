/** A field of a part that people know by a word, and how its value reads. */
export interface FieldWords<T> {
  readonly word: string;
  readonly read: (item: T) => string | number | boolean | undefined;
  readonly unit?: string;
}

/** "teeth 19 → 21", "module none → 2 mm", for every field that differs. */
export function fieldChanges<T>(fields: readonly FieldWords<T>[], before: T, after: T): string[] {
  return fields.flatMap(({ word, read, unit }) => {
    const [old, now] = [read(before), read(after)];
    if (old === now) return [];
    return [`${word} ${plain(old)} → ${plain(now)}${unit && now !== undefined ? ` ${unit}` : ''}`];
  });
}

const plain = (value: string | number | boolean | undefined): string =>
  value === undefined ? 'none' : value === true ? 'yes' : value === false ? 'no' : String(value);
