/** Something to be written, and who waits for it. */
interface Waiting {
  readonly work: () => Promise<unknown>;
  /** Not in a transaction, and with nothing beside it. */
  readonly alone: boolean;
  readonly done: (value: unknown) => void;
  readonly fail: (error: unknown) => void;
}

/** What a connection for writing does for a Writer. */
export interface Connection {
  readonly run: (sql: string) => Promise<unknown>;
}

/** Works in one transaction: more would keep the first of them waiting for its answer. */
const MOST_TOGETHER = 100;

/**
 * The one way to write to a database: whoever has something to write waits for a turn on one connection. While one
 * transaction is under way, what comes meanwhile waits, and then goes together as the next: a disk takes as long to
 * make sure of one change as of a hundred. Each work is done whole or not at all; what it answers is told when it is on
 * the disk.
 */
export class Writer {
  private readonly waiting: Waiting[] = [];
  private writing = false;

  constructor(private readonly connection: Connection) {}

  /**
   * Writes in a transaction that has the lock for writing from its start. The work may be run twice, where another one
   * of its transaction failed.
   */
  write = <T>(work: () => Promise<T>): Promise<T> => this.wait(work, false);

  /** Does what SQLite does not do in a transaction: attaching a file, giving room back to the disk. */
  alone = <T>(work: () => Promise<T>): Promise<T> => this.wait(work, true);

  private wait<T>(work: () => Promise<T>, alone: boolean): Promise<T> {
    return new Promise<T>((done, fail) => {
      this.waiting.push({ work, alone, done: done as (value: unknown) => void, fail });
      if (!this.writing) void this.writeWaiting();
    });
  }

  private async writeWaiting(): Promise<void> {
    this.writing = true;
    for (let next = this.next(); next.length > 0; next = this.next())
      await (next[0]?.alone ? runAlone(next[0]) : this.writeTogether(next));
    this.writing = false;
  }

  private next(): readonly Waiting[] {
    const alone = this.waiting.findIndex((one) => one.alone);
    const until = alone === 0 ? 1 : alone < 0 ? this.waiting.length : alone;
    return this.waiting.splice(0, Math.min(until, MOST_TOGETHER));
  }

  private async writeTogether(group: readonly Waiting[]): Promise<void> {
    const values: unknown[] = [];
    try {
      await this.connection.run('BEGIN IMMEDIATE');
      for (const { work } of group) values.push(await work());
      await this.connection.run('COMMIT');
    } catch (error) {
      // Nothing was begun, or SQLite has taken it back by itself, as on a full disk.
      await this.connection.run('ROLLBACK').catch(() => undefined);
      const [first, ...others] = group;
      if (others.length === 0) return first?.fail(error);
      // One of them is at fault: by itself each gets its own answer.
      for (const one of group) await this.writeTogether([one]);
      return;
    }
    for (const [i, { done }] of group.entries()) done(values[i]);
  }
}

const runAlone = ({ work, done, fail }: Waiting): Promise<void> => work().then(done, fail);
