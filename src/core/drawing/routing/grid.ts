import type { PlaneCell } from '../half-plane';
import { bit, type LinePiece } from './piece';

/** What belongs to nobody's line: symbols and the frame's hatching. */
export const FRAME_NET = 30_000;

const SEVERAL = -2;

const ALONG = bit(0) | bit(2);
const ACROSS = bit(1) | bit(3);

/** The cells of a half plane as numbers, and what lies on them while lines are being found. */
export class RoutingGrid {
  readonly size: number;
  /** Closed to every line: bodies of gears. */
  readonly blocked: Uint8Array;
  /** Next to a gear's face: free for lines, too near for a coupler's symbol. */
  readonly beside: Uint8Array;
  /** Owner of a cell that only one member may use (its terminal), else −1. */
  readonly reserved: Int16Array;
  /** How often a cell has been fought over: it grows dearer every round. */
  readonly history: Float64Array;
  /** Net on a cell, −1 free, −2 several. */
  readonly net: Int16Array;
  /** Directions in which the net on a cell leaves it, as bits. */
  readonly links: Uint8Array;
  /**
   * Of every cell its column, its row, and the cells in directions 0 right, 1 inward, 2 left, 3 outward; −1 over the
   * edge.
   */
  readonly column: Int16Array;
  readonly row: Int16Array;
  readonly neighbours: Int32Array;
  private readonly crossed = new Set<number>();
  private readonly clashed = new Set<number>();

  constructor(
    readonly columns: number,
    readonly rows: number,
  ) {
    this.size = columns * rows;
    this.blocked = new Uint8Array(this.size);
    this.beside = new Uint8Array(this.size);
    this.reserved = new Int16Array(this.size).fill(-1);
    this.history = new Float64Array(this.size);
    this.net = new Int16Array(this.size).fill(-1);
    this.links = new Uint8Array(this.size);
    const next = (at: number, direction: number): number => {
      if (direction === 0) return (at + 1) % columns === 0 ? -1 : at + 1;
      if (direction === 2) return at % columns === 0 ? -1 : at - 1;
      const beyond = direction === 1 ? at - columns : at + columns;
      return beyond >= 0 && beyond < this.size ? beyond : -1;
    };
    this.column = new Int16Array(this.size).map((_, at) => at % columns);
    this.row = new Int16Array(this.size).map((_, at) => Math.floor(at / columns));
    this.neighbours = new Int32Array(this.size * 4).map((_, i) => next(i >> 2, i & 3));
  }

  at = ({ x, row }: PlaneCell): number => row * this.columns + x;
  cell = (at: number): PlaneCell => ({ x: this.column[at]!, row: this.row[at]! });
  has = ({ x, row }: PlaneCell): boolean => x >= 0 && x < this.columns && row >= 0 && row < this.rows;

  /** The neighbour in a direction; −1 over the edge. */
  step = (at: number, direction: number): number => this.neighbours[at * 4 + direction]!;

  /** May this net have a line end here? */
  open(at: number, net: number): boolean {
    if (this.blocked[at] || (this.reserved[at]! >= 0 && this.reserved[at] !== net)) return false;
    return this.net[at] === -1 || this.net[at] === net;
  }

  /** Does a net lie here that runs straight across this direction, so that it can be crossed? */
  crossable(at: number, direction: number): boolean {
    return (
      this.net[at]! >= 0 && this.net[at] !== FRAME_NET && this.links[at] === (direction % 2 === 0 ? ACROSS : ALONG)
    );
  }

  clear(): void {
    this.net.fill(-1);
    this.links.fill(0);
    this.crossed.clear();
    this.clashed.clear();
  }

  /** Lays a net's piece; where another lies already it is a crossing if both run straight, else a clash. */
  paint(net: number, piece: LinePiece): void {
    for (const [at, mask] of piece.marks) {
      if (this.net[at] === -1 || this.net[at] === net) {
        this.net[at] = net;
        this.links[at]! |= mask;
        continue;
      }
      const straight = (mask === ALONG && this.links[at] === ACROSS) || (mask === ACROSS && this.links[at] === ALONG);
      (straight && this.net[at]! >= 0 && this.net[at] !== FRAME_NET ? this.crossed : this.clashed).add(at);
      this.net[at] = SEVERAL;
    }
  }

  conflicts(): { crossings: number[]; clashes: number } {
    return { crossings: [...this.crossed], clashes: this.clashed.size };
  }

  /** Makes the cells that are fought over dearer for all rounds to come. */
  remember(): void {
    for (const at of this.crossed) this.history[at]! += 8;
    for (const at of this.clashed) this.history[at]! += 30;
  }
}
