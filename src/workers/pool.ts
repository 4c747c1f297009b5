import { proxy, wrap, type Endpoint, type Remote } from 'comlink';

/** A job takes one plain value and gives another; on the way it may tell how far it is, or what it has so far. */
type Job = (input: never, tell: never) => unknown;
export type InputOf<J> = J extends (input: infer I, ...rest: never[]) => unknown ? I : never;
export type NewsOf<J> = J extends (input: never, tell: (...news: infer N) => void) => unknown ? N : never;
export type OutputOf<J> = J extends (...args: never[]) => infer O ? Awaited<O> : never;

/** What came of asking a lane. */
export type LaneOutcome<T> = { readonly value: T } | { readonly superseded: true };

/** A worker as the pool sees it: what comlink talks to, and a way to end it. */
export interface Hand {
  readonly endpoint: Endpoint;
  readonly end: () => void;
  /** There when the worker has ended by itself, which none should. */
  readonly gone: Promise<unknown>;
}

/**
 * A worker with what is called on it: kept together, for what comlink calls is taken as given up, by both sides, once
 * nobody keeps it.
 */
interface Engaged<J> {
  readonly hand: Hand;
  readonly jobs: Remote<J>;
  isGone: boolean;
}

const GONE = 'What was working on this has stopped unexpectedly. Try it again.';

/**
 * A job that has run for so long may well be given up, which ends its worker: another one is got ready for what is
 * asked instead.
 */
const LONG_MS = 400;

/** Workers that do jobs beside the page, so many at once. */
export class Pool<J extends Record<string, Job>> {
  private readonly idle: Engaged<J>[] = [];
  private readonly waiting: (() => void)[] = [];
  private busy = 0;

  constructor(
    private readonly start: () => Hand,
    private readonly most: number,
  ) {}

  /** One asker: what it asks later takes the place of what it asked before. */
  lane(): Lane<J> {
    return new Lane(this);
  }

  /** Starts a worker before there is work for it, so that the first job need not wait for its code. */
  warm(): void {
    if (this.busy === 0 && this.idle.length === 0) this.idle.push(this.begin());
  }

  /**
   * Does one job, as soon as a worker is free. A job that is given up ends its worker, for a search that runs cannot be
   * told to stop.
   * @throws what the job throws; the signal's reason when it is given up.
   */
  async run<K extends keyof J & string>(
    name: K,
    input: InputOf<J[K]>,
    signal: AbortSignal,
    tell?: (...news: NewsOf<J[K]>) => void,
  ): Promise<OutputOf<J[K]>> {
    await this.turn(signal);
    // It may have been given up just now, by who asked for something else in the same moment: then no worker takes it.
    if (signal.aborted) {
      this.release();
      throw signal.reason;
    }
    const engaged = this.nextIdle() ?? this.begin();
    let ended = false;
    const end = () => {
      ended = true;
      engaged.hand.end();
    };
    signal.addEventListener('abort', end, { once: true });
    const spare = setTimeout(() => this.idle.length === 0 && this.idle.push(this.begin()), LONG_MS);
    try {
      const jobs = engaged.jobs as unknown as Record<K, Remote<Job>>;
      const told = proxy(tell ?? (() => undefined));
      return (await Promise.race([
        jobs[name](input as never, told as never),
        rejected(signal),
        engaged.hand.gone.then(() => Promise.reject(new Error(GONE))),
      ])) as OutputOf<J[K]>;
    } finally {
      clearTimeout(spare);
      signal.removeEventListener('abort', end);
      if (!ended && !engaged.isGone) this.idle.push(engaged);
      this.release();
    }
  }

  /** Makes room for the next one that waits. */
  private release(): void {
    this.busy--;
    this.waiting.shift()?.();
  }

  private begin(): Engaged<J> {
    const hand = this.start();
    const engaged: Engaged<J> = { hand, jobs: wrap<J>(hand.endpoint), isGone: false };
    void hand.gone.then(() => (engaged.isGone = true));
    return engaged;
  }

  private nextIdle(): Engaged<J> | undefined {
    for (let next = this.idle.pop(); next; next = this.idle.pop()) if (!next.isGone) return next;
    return undefined;
  }

  /** Waits until a worker is free. Whoever gives up while waiting lets the next one go before. */
  private async turn(signal: AbortSignal): Promise<void> {
    while (this.busy >= this.most && !signal.aborted) {
      let go!: () => void;
      const free = new Promise<void>((done) => (go = done));
      this.waiting.push(go);
      await Promise.race([free, given(signal)]);
      const at = this.waiting.indexOf(go);
      if (at >= 0) this.waiting.splice(at, 1);
    }
    if (signal.aborted && this.busy < this.most) this.waiting.shift()?.();
    signal.throwIfAborted();
    this.busy++;
  }
}

/** What one asker asks of a pool: the latest request wins. */
export class Lane<J extends Record<string, Job>> {
  private controller: AbortController | null = null;

  constructor(private readonly pool: Pool<J>) {}

  /** What comes of it: superseded when something else was asked, or the lane was left, before it was done. */
  async run<K extends keyof J & string>(
    name: K,
    input: InputOf<J[K]>,
    tell?: (...news: NewsOf<J[K]>) => void,
  ): Promise<LaneOutcome<OutputOf<J[K]>>> {
    this.giveUp();
    const controller = new AbortController();
    this.controller = controller;
    // News come by another port than the value, and may arrive after it: then they are old.
    let isSettled = false;
    const told = (...news: NewsOf<J[K]>) => !isSettled && !controller.signal.aborted && tell?.(...news);
    try {
      return { value: await this.pool.run(name, input, controller.signal, told) };
    } catch (error) {
      if (controller.signal.aborted) return { superseded: true };
      throw error;
    } finally {
      isSettled = true;
      if (this.controller === controller) this.controller = null;
    }
  }

  /** Gives up what is asked. */
  giveUp(): void {
    this.controller?.abort();
    this.controller = null;
  }
}

/** There when the signal is given. */
const given = (signal: AbortSignal): Promise<void> =>
  new Promise((done) => {
    if (signal.aborted) done();
    else signal.addEventListener('abort', () => done(), { once: true });
  });

/** Rejected when the signal is given. */
const rejected = async (signal: AbortSignal): Promise<never> => {
  await given(signal);
  throw signal.reason;
};
