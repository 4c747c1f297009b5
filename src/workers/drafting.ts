import { wrap, type Remote } from 'comlink';
import type { DraftsData } from '@/core/drawing';
import type { Draughtsman } from './draughts.worker';

type Asked = Parameters<Draughtsman['draft']>;

/** Side views worked out beside the page, one at a time: who asks again gives up what was asked before. */
export class Drafting {
  private worker: Worker | null = null;
  private draughtsman: Remote<Draughtsman> | null = null;
  private giveUp: (() => void) | null = null;

  /** @returns null when it was given up. */
  async draft(...asked: Asked): Promise<DraftsData | null> {
    if (this.giveUp) this.end();
    this.worker ??= new Worker(new URL('./draughts.worker.ts', import.meta.url), { type: 'module' });
    this.draughtsman ??= wrap<Draughtsman>(this.worker);
    const given = new Promise<null>((done) => (this.giveUp = () => done(null)));
    const found = await Promise.race([this.draughtsman.draft(...asked), given]);
    if (found) this.giveUp = null;
    return found;
  }

  /** Gives up what is asked, and ends the worker: a search that runs cannot be told to stop. */
  end(): void {
    this.worker?.terminate();
    this.worker = null;
    this.draughtsman = null;
    this.giveUp?.();
    this.giveUp = null;
  }
}
