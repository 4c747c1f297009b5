import { createHash } from 'node:crypto';
import { Stopped } from './pool';
import { required } from '@/core/required';

interface Running<T> {
  readonly result: Promise<T>;
  readonly ends: AbortController;
  waiting: number;
}

/** Names a text by what it says; short texts by themselves would do, long ones would fill the memory. */
export const contentKey = (...texts: readonly string[]): string =>
  createHash('sha1').update(texts.join('\0')).digest('base64');

/**
 * Results by what they were worked out from. Those that several ask for at once are worked out once; when the last who
 * waits has left, the work is ended. The oldest go when there are too many.
 */
export class Results<T> {
  private readonly done = new Map<string, T>();
  private readonly running = new Map<string, Running<T>>();

  constructor(private readonly most: number) {}

  get = (key: string): T | undefined => this.done.get(key);

  /** Is it known, or being worked out? */
  has = (key: string): boolean => this.done.has(key) || this.running.has(key);

  async of(key: string, work: (signal: AbortSignal) => Promise<T>, signal?: AbortSignal): Promise<T> {
    const known = this.done.get(key);
    if (known !== undefined) return known;
    const run = this.running.get(key) ?? this.start(key, work);
    run.waiting++;
    try {
      return await Promise.race([run.result, ...(signal ? [leaving(signal)] : [])]);
    } finally {
      run.waiting--;
      if (run.waiting === 0) {
        run.ends.abort();
        this.forget(key, run);
      }
    }
  }

  private start(key: string, work: (signal: AbortSignal) => Promise<T>): Running<T> {
    const ends = new AbortController();
    const result = work(ends.signal);
    const run: Running<T> = { result, ends, waiting: 0 };
    this.running.set(key, run);
    result
      .then(
        (value) => {
          if (this.done.size >= this.most) this.done.delete(required(this.done.keys().next().value));
          this.done.set(key, value);
        },
        () => undefined,
      )
      .finally(() => this.forget(key, run));
    return run;
  }

  private forget(key: string, run: Running<T>): void {
    if (this.running.get(key) === run) this.running.delete(key);
  }
}

function leaving(signal: AbortSignal): Promise<never> {
  return new Promise((_, fail) => {
    const leave = () => fail(new Stopped('left'));
    if (signal.aborted) leave();
    else signal.addEventListener('abort', leave, { once: true });
  });
}
