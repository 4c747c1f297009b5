import { messageOf } from '@/core/message-of';
import type { InputOf, Lane, NewsOf, OutputOf } from './pool';

/** How far a job is; `partial` is what it told last on the way. */
export type JobState<Partial, Value> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running' | 'stopped'; readonly partial: Partial | null }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'done'; readonly value: Value };

type Job = (input: never, tell: never) => unknown;
type Partials<J> = NewsOf<J>[0];

const IDLE = { kind: 'idle' } as const;

/**
 * Runs one kind of job in a lane, and says how far it is to whoever listens. What is begun later takes the place of
 * what was begun before.
 */
export class JobRunner<J extends Record<string, Job>, K extends keyof J & string> {
  private now: JobState<Partials<J[K]>, OutputOf<J[K]>> = IDLE;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly lane: Lane<J>,
    private readonly name: K,
  ) {}

  state = (): JobState<Partials<J[K]>, OutputOf<J[K]>> => this.now;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Begins the job; what ran before is superseded. Never rejects: what goes wrong is a state. */
  begin = async (input: InputOf<J[K]>): Promise<void> => {
    this.say({ kind: 'running', partial: null });
    try {
      const outcome = await this.lane.run(this.name, input, (...news) =>
        this.say({ kind: 'running', partial: news[0] }),
      );
      if ('value' in outcome) this.say({ kind: 'done', value: outcome.value });
    } catch (error) {
      this.say({ kind: 'failed', message: messageOf(error) });
    }
  };

  /** Stops it; what was found so far stands. */
  stop = (): void => {
    if (this.now.kind !== 'running') return;
    this.lane.giveUp();
    this.say({ kind: 'stopped', partial: this.now.partial });
  };

  /** Gives up what runs, and forgets what was found. */
  leave = (): void => {
    this.lane.giveUp();
    this.say(IDLE);
  };

  private say(state: JobState<Partials<J[K]>, OutputOf<J[K]>>): void {
    this.now = state;
    for (const listener of this.listeners) listener();
  }
}
