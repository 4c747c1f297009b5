import { seeded } from '../chance';
import { itemAt } from '../required';

/** Choices by a seed, the same on every machine. */
export interface Draw {
  /** One of them; undefined of none. */
  readonly pick: <T>(of: readonly T[]) => T | undefined;
  /** A whole number from the first to the last. */
  readonly whole: (first: number, last: number) => number;
  /** All of them in another order. */
  readonly shuffled: <T>(of: readonly T[]) => readonly T[];
}

export function drawFrom(seed: number): Draw {
  const random = seeded(seed);
  const whole = (first: number, last: number) => first + Math.floor(random() * (last - first + 1));
  return {
    whole,
    pick: (of) => of[whole(0, of.length - 1)],
    shuffled: (of) => {
      const mixed = [...of];
      for (let i = mixed.length - 1; i > 0; i--) {
        const other = whole(0, i);
        [mixed[i], mixed[other]] = [itemAt(mixed, other), itemAt(mixed, i)];
      }
      return mixed;
    },
  };
}
