/** Central members are numbered 3 × set + 0 sun, 1 carrier, 2 ring. */
export interface Scheme {
  /** Of each member what of the sets is joined in it; a shaft of its own has nothing. */
  readonly members: readonly (readonly number[])[];
  /** What is fixed to the frame for good. */
  readonly frame: readonly number[];
  /** Places in `members`. */
  readonly input: number;
  readonly output: number;
}

/** A brake on one member, or a clutch between two. */
export interface SchemeElement {
  readonly type: 'brake' | 'clutch';
  readonly joins: readonly number[];
}

/** What of a scheme gives the wish. */
export interface Selection {
  readonly elements: readonly SchemeElement[];
  /** By wished ratio: places in `elements` that are engaged. */
  readonly forward: readonly (readonly number[])[];
  readonly reverse: readonly number[] | null;
  /** Largest |ratio / wish − 1|. */
  readonly worst: number;
  readonly single: boolean;
}

export interface FoundScheme {
  readonly scheme: Scheme;
  readonly selection: Selection;
  /** Speed of sun over speed of ring with the carrier held, by set. */
  readonly standings: readonly number[];
}

/** The same for the same connections and elements, however they were come by. */
export const schemeKey = ({ scheme, selection }: FoundScheme): string =>
  JSON.stringify([scheme, selection.elements, selection.forward]);

/** How many places two lists have in common that are sorted or not. */
export const shared = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((count, one) => count + (b.includes(one) ? 1 : 0), 0);

/** Between all neighbours one element is let off and one is put on. */
export const isSingle = (forward: readonly (readonly number[])[]): boolean =>
  forward.every((engaged, i) => {
    const next = forward[i + 1];
    return next === undefined || shared(engaged, next) === engaged.length - 1;
  });
