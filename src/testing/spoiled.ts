/** The same document with one of its leaves after another made something that no field takes. */
export function* spoiled(document: unknown): Generator<unknown> {
  if (typeof document !== 'object' || document === null) return void (yield { spoiled: true });
  for (const [key, value] of Object.entries(document))
    for (const one of spoiled(value))
      yield Array.isArray(document)
        ? document.map((item: unknown, i) => (String(i) === key ? one : item))
        : { ...document, [key]: one };
}

/** Keys of files, as no sentence for people has them: "armMm". */
export const KEY = /\b[a-z]+[A-Z]\w*/;
