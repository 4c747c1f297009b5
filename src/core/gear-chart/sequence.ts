import type { Position, Train } from '../train';
import { itemAt } from '../required';

type Selector = NonNullable<Train['selectors']>[number];

/** Travel (mm) between which a selector stands; without end (±Infinity) beyond its first or last span. */
export interface ClickStretch {
  readonly from: number;
  readonly to: number;
}

/** Where a selector has to stand for a position. */
export interface SelectorPlace {
  readonly selector: string;
  readonly stretch: ClickStretch;
  /** What it engages there. */
  readonly engages: readonly string[];
}

/** From one position to the next. */
export interface Click {
  readonly from: string;
  readonly to: string;
  readonly moves: readonly SelectorMove[];
  /** Couplers that no selector works, moved by other hands. */
  readonly besides: readonly string[];
  /**
   * One selector goes back to where it began while another goes on: it carries into that one, as a counter's wheels do.
   */
  readonly carries: { readonly from: string; readonly to: string } | null;
}

export interface SelectorMove {
  readonly selector: string;
  readonly from: ClickStretch;
  readonly to: ClickStretch;
}

/** The order of positions as a sequence of clicks of a train's selectors or drums. */
export interface Sequence {
  readonly clicks: readonly Click[];
  /** Positions that no travel of a selector gives: those couplers of one selector cannot be on together, or alone. */
  readonly unreachable: readonly { readonly position: string; readonly selector: string }[];
}

/** The clicks from each position to the next that the selectors can reach; null without selectors. */
export function sequenceOf({ selectors = [], positions }: Train): Sequence | null {
  if (selectors.length === 0) return null;
  const placed = positions.map((position) => ({
    position,
    places: selectors.map((selector) => placeIn(selector, position)),
  }));
  const reachable = placed.flatMap(({ position, places }) =>
    places.every((place) => place !== null) ? [{ position, places }] : [],
  );
  const first = reachable[0]?.places;
  const worked = new Set(selectors.flatMap(({ spans }) => spans.map(({ coupler }) => coupler)));
  const besides = (a: Position, b: Position) =>
    [...a.engaged.filter((id) => !b.engaged.includes(id)), ...b.engaged.filter((id) => !a.engaged.includes(id))].filter(
      (id) => !worked.has(id),
    );
  return {
    clicks: reachable.slice(1).map(({ position, places }, i) => {
      const before = itemAt(reachable, i);
      const moves = places.flatMap((place, k): SelectorMove[] => {
        const was = itemAt(before.places, k);
        return sameStretch(was.stretch, place.stretch)
          ? []
          : [{ selector: place.selector, from: was.stretch, to: place.stretch }];
      });
      return {
        from: before.position.id,
        to: position.id,
        moves,
        besides: besides(before.position, position),
        carries: carry(moves, first ?? []),
      };
    }),
    unreachable: placed.flatMap(({ position, places }) =>
      places.flatMap((place, k) => (place ? [] : [{ position: position.id, selector: itemAt(selectors, k).id }])),
    ),
  };
}

/**
 * The travel at which a selector engages exactly what a position asks of it; null where there is none. Ends of spans
 * that meet count for neither, so that a place is a stretch, not a point. Where several stretches do, the one nearest
 * to the middle of the travel: less to move.
 */
function placeIn({ id, spans }: Selector, { engaged }: Position): SelectorPlace | null {
  const own = spans.filter(({ coupler }) => engaged.includes(coupler)).map(({ coupler }) => coupler);
  const ends = [...new Set(spans.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  const [least = 0, most = 0] = [ends[0], ends.at(-1)];
  const edges = [-Infinity, ...ends, Infinity];
  const stretches = edges.slice(1).map((to, i): ClickStretch => ({ from: itemAt(edges, i), to }));
  const fits = ({ from, to }: ClickStretch) => {
    const on = new Set(spans.filter((span) => span.from <= from && to <= span.to).map(({ coupler }) => coupler));
    return on.size === new Set(own).size && own.every((coupler) => on.has(coupler));
  };
  const off = ({ from, to }: ClickStretch) => Math.abs((from + to) / 2 - (least + most) / 2);
  const [best] = stretches.filter(fits).sort((a, b) => off(a) - off(b));
  return best ? { selector: id, stretch: best, engages: own } : null;
}

function carry(moves: readonly SelectorMove[], first: readonly (SelectorPlace | null)[]): Click['carries'] {
  const begins = (move: SelectorMove) =>
    first.some((place) => place?.selector === move.selector && sameStretch(place.stretch, move.to));
  const back = moves.filter(begins);
  const on = moves.filter((move) => !begins(move));
  return back.length > 0 && on.length === 1 ? { from: itemAt(back, -1).selector, to: itemAt(on, 0).selector } : null;
}

const sameStretch = (a: ClickStretch, b: ClickStretch): boolean => a.from === b.from && a.to === b.to;
