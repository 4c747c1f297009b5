/**
 * Is this file a train in writing? By the end of its name; where that does not tell, what begins as JSON does is none.
 */
export const isWritten = (name: string, text: string): boolean =>
  /\.txt$/i.test(name) || (!/\.json$/i.test(name) && /^[\s\uFEFF]*[^\s\uFEFF{["]/u.test(text));
