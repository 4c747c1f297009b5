import { toNumber, type Rational } from '@/core/rational';
import { handTurn } from '@/core/turning';

type Move =
  | { readonly kind: 'play'; readonly perSecond: number; readonly last: number }
  | { readonly kind: 'exact'; readonly by: Rational; readonly started: number; readonly duration: number }
  | { readonly kind: 'hand' };

const SHORTEST_MS = 900;
const LONGEST_MS = 4000;
const MS_PER_TURN = 1400;

/**
 * Turns the crank in time. While it moves, the part of a turn since the last exact count is a plain number that changes
 * every frame and is told to listeners directly; when it stops, that part is counted exactly: by what was asked for, or
 * by the nearest step a hand can set.
 */
export class CrankClock {
  private move: Move | null = null;
  private since = 0;
  private frame = 0;
  private readonly listeners = new Set<() => void>();
  private readonly changes = new Set<() => void>();

  constructor(private readonly count: (by: Rational) => void) {}

  /** Turns of the crank since what is counted. */
  get turnsSince(): number {
    return this.since;
  }

  get moving(): 'play' | 'exact' | 'hand' | null {
    return this.move?.kind ?? null;
  }

  /** Called at every frame of a movement, and once when it ends. */
  onFrame = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Called when it starts or stops. */
  onChange = (listener: () => void): (() => void) => {
    this.changes.add(listener);
    return () => this.changes.delete(listener);
  };

  play(perSecond: number): void {
    this.countUp(this.count);
    this.start({ kind: 'play', perSecond, last: performance.now() });
  }

  /** Turns by exactly so much, easing in and out; at once where movement is not wanted. */
  turn(by: Rational, eased = true): void {
    this.stop();
    if (!eased) {
      this.count(by);
      this.tell();
      return;
    }
    const duration = Math.min(LONGEST_MS, Math.max(SHORTEST_MS, Math.abs(toNumber(by)) * MS_PER_TURN));
    this.start({ kind: 'exact', by, started: performance.now(), duration });
  }

  /** Moves by hand; let go with stop. */
  drag(by: number): void {
    if (this.move?.kind !== 'hand') {
      this.stop();
      this.start({ kind: 'hand' });
    }
    this.since += by;
    this.tell();
  }

  /** Stops where it is, on the nearest exact step. */
  stop(): void {
    cancelAnimationFrame(this.frame);
    this.move = null;
    this.countUp(this.count);
    this.tell();
    for (const change of this.changes) change();
  }

  /** Counts what was turned so far; playing and dragging go on from there, an exact move ends. */
  countUp(count: (by: Rational) => void): void {
    const by = handTurn(this.since);
    const moved = this.since !== 0;
    this.since = 0;
    if (moved) count(by);
    if (this.move?.kind === 'exact') this.stop();
  }

  private start(move: Move): void {
    this.move = move;
    cancelAnimationFrame(this.frame);
    if (move.kind !== 'hand') this.frame = requestAnimationFrame(this.tick);
    for (const change of this.changes) change();
  }

  private readonly tick = (): void => {
    const { move } = this;
    if (!move || move.kind === 'hand') return;
    const now = performance.now();
    if (move.kind === 'play') {
      this.since += move.perSecond * Math.min(0.1, (now - move.last) / 1000);
      this.move = { ...move, last: now };
    } else {
      const part = Math.min(1, (now - move.started) / move.duration);
      if (part >= 1) {
        this.move = null;
        this.since = 0;
        this.count(move.by);
        this.tell();
        for (const change of this.changes) change();
        return;
      }
      this.since = toNumber(move.by) * easeInOut(part);
    }
    this.frame = requestAnimationFrame(this.tick);
    this.tell();
  };

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

const easeInOut = (part: number): number => (part < 0.5 ? 2 * part * part : 1 - 2 * (1 - part) ** 2);
