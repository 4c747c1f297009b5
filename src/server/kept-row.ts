/** What a kept text holds, or why that cannot be read: it was damaged, cut off, or put there past the application. */
export type KeptDocument = { readonly document: object } | { readonly unreadable: string };

/** A kept text as a value. A reply is built from it, never by pasting the text, which could bring fields of its own. */
export function keptDocument(text: string): KeptDocument {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? { document: value }
      : { unreadable: 'It is no document.' };
  } catch {
    return { unreadable: 'It is not JSON: it was damaged or cut off.' };
  }
}

/** A kept text as the JSON of its value, or why it cannot be read. */
export type KeptJson = { readonly json: string } | { readonly unreadable: string };

export function keptJson(text: string): KeptJson {
  const kept = keptDocument(text);
  return 'document' in kept ? { json: JSON.stringify(kept.document) } : kept;
}

/** A kept time as ISO 8601; `unknown` where what is kept is no time. */
export const keptTime = (at: Date | string): string => {
  const date = new Date(at);
  return Number.isNaN(date.getTime()) ? 'unknown' : date.toISOString();
};
