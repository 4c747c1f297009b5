import { messageOf } from '@/core/message-of';
import type { InputOf, Lane, NewsOf, OutputOf } from './pool';

/** What a job is about, item by item: while it stays the same, nothing is begun anew. */
export type JobKey = readonly unknown[];

/** How far a job is; `partial` is what it told last on the way. */
export type JobState<Input, Partial, Value> =
  | { readonly kind: 'idle' }
  | {
      readonly kind: 'running' | 'stopped';
      readonly key: JobKey;
      readonly input: Input | null;
      readonly partial: Partial | null;
    }
  | { readonly kind: 'failed'; readonly key: JobKey; readonly message: string }
  | {
      readonly kind: 'done';
      readonly key: JobKey;
      readonly input: Input;
      readonly value: Value;
      readonly tookMs: number;
    };

type Job = (input: never, tell: never) => unknown;
export type StateOf<J> = JobState<InputOf<J>, NewsOf<J>[0], OutputOf<J>>;

const IDLE = { kind: 'idle' } as const;

export const isSameKey = (a: JobKey, b: JobKey): boolean =>
  a.length === b.length && a.every((item, i) => Object.is(item, b[i]));

/**
 * Runs one kind of job in a lane, and says how far it is to whoever listens. What is begun later takes the place of
 * what was begun before.
 */
export class JobRunner<J extends Record<string, Job>, K extends keyof J & string> {
  private now: StateOf<J[K]> = IDLE;
  private readonly listeners = new Set<() => void>();

  /** @param limitS a job that takes longer is ended, and has failed */
  constructor(
    private readonly lane: Lane<J>,
    private readonly name: K,
    private readonly limitS = Infinity,
  ) {}

  state = (): StateOf<J[K]> => this.now;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Whether it runs, was stopped, or is done for the same key. */
  isAbout = (key: JobKey): boolean =>
    this.now.kind !== 'idle' && this.now.kind !== 'failed' && isSameKey(this.now.key, key);

  /**
   * Begins the job; what ran before is superseded. Never rejects: what goes wrong is a state.
   * @returns what came of this one; null when something else was begun, or it was left, before that
   */
  begin = async (input: InputOf<J[K]>, key: JobKey = []): Promise<StateOf<J[K]> | null> => {
    const begunAt = performance.now();
    let last: StateOf<J[K]> = { kind: 'running', key, input, partial: null };
    this.say(last);
    let timer: ReturnType<typeof setTimeout> | undefined;
    const isLast = () => this.now === last;
    const say = (state: StateOf<J[K]>) => this.say((last = state));
    if (this.limitS < Infinity)
      timer = setTimeout(() => {
        if (!isLast()) return;
        say({ kind: 'failed', key, message: `This took longer than ${this.limitS} s and was stopped.` });
        this.lane.giveUp();
      }, this.limitS * 1000);
    try {
      const outcome = await this.lane.run(
        this.name,
        input,
        (...news) => isLast() && say({ kind: 'running', key, input, partial: news[0] }),
      );
      if (!isLast()) return null;
      if ('value' in outcome)
        say({ kind: 'done', key, input, value: outcome.value, tookMs: performance.now() - begunAt });
      // Another asker of the lane has superseded it.
      else if (last.kind === 'running') say({ ...last, kind: 'stopped' });
    } catch (error) {
      if (isLast()) say({ kind: 'failed', key, message: messageOf(error) });
    } finally {
      clearTimeout(timer);
    }
    return isLast() ? last : null;
  };

  /**
   * Stops what runs; what was found so far stands.
   * @param key what is asked by now, where that is more than what has begun: it is not begun either
   */
  stop = (key?: JobKey): void => {
    const { now } = this;
    if (now.kind === 'running') {
      this.say({ ...now, kind: 'stopped', key: key ?? now.key });
      this.lane.giveUp();
    } else if (key) this.say({ kind: 'stopped', key, input: null, partial: null });
  };

  /** Gives up what runs; what is done, or was stopped, stands. */
  rest = (): void => {
    if (this.now.kind === 'running') this.leave();
  };

  /** Gives up what runs, and forgets what was found. */
  leave = (): void => {
    const isRunning = this.now.kind === 'running';
    this.say(IDLE);
    if (isRunning) this.lane.giveUp();
  };

  private say(state: StateOf<J[K]>): void {
    this.now = state;
    for (const listener of this.listeners) listener();
  }
}
