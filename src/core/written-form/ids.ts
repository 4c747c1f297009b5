import { FRAME } from '../train';

const MOST = 56;

/** Gives parts ids like their names, each another; so the same text always gives the same document. */
export class Ids {
  private readonly taken: Set<string>;
  private readonly counted = new Map<string, number>();

  /** @param taken ids that parts have already */
  constructor(taken: readonly string[] = []) {
    this.taken = new Set([FRAME, ...taken]);
  }

  /** @param kind what the part is called where its name has nothing that may stand in an id */
  fresh(name: string, kind: string): string {
    const letters = name.replace(/[^\p{L}\p{N} _.+:-]+/gu, ' ').replace(/^[^\p{L}\p{N}]+/u, '');
    const base = [...letters].slice(0, MOST).join('').trim() || kind;
    let count = this.counted.get(base) ?? 1;
    let id = base;
    while (this.taken.has(id)) id = `${base} ${++count}`;
    this.counted.set(base, count);
    this.taken.add(id);
    return id;
  }
}
