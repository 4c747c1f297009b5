/** Where something stands in a text: from one character to before another, counted in the whole text. */
export interface Place {
  readonly from: number;
  readonly to: number;
  /** The line, from 1, and the column in it, from 1, of its beginning. */
  readonly line: number;
  readonly column: number;
}

/** What is wrong with a written train, and where. */
export interface WrittenProblem {
  readonly place: Place;
  readonly message: string;
  /** A name that nothing has: a statement that does not read may have been meant to make it. */
  readonly missing?: string;
}

/** A statement that does not read; the others still do. */
export class Misread extends Error {
  constructor(
    message: string,
    readonly place: Place,
  ) {
    super(message);
  }
}

/** From the beginning of one to the end of the other, on one line. */
export const through = (first: Place, last: Place): Place => ({ ...first, to: last.to });
