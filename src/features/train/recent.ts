import { required } from '@/core/required';
/**
 * What was worked out for the documents looked at last; of older ones nothing is held, however many steps of undo there
 * are.
 */
export class Recent<K extends object, V> {
  private readonly kept = new Map<K, V>();

  constructor(private readonly most: number) {}

  get(key: K): V | undefined {
    const value = this.kept.get(key);
    if (value === undefined) return undefined;
    this.kept.delete(key);
    this.kept.set(key, value);
    return value;
  }

  set(key: K, value: V): void {
    this.kept.delete(key);
    this.kept.set(key, value);
    if (this.kept.size > this.most) this.kept.delete(required(this.kept.keys().next().value));
  }

  delete = (key: K): boolean => this.kept.delete(key);
}

/** Documents whose results are kept: the present one, what it is compared with, and a few steps back and forth. */
export const DOCUMENTS = 8;
