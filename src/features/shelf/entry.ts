import { drawSideView, type SideView } from '@/core/drawing';
import { networkOf } from '@/core/kinematics';
import { abs, compare, div, sign, type Rational } from '@/core/rational';
import { solvePositions } from '@/core/solve';
import type { Train } from '@/core/train';

/** What the shelf says of a train. */
export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly notes: string;
  readonly updatedAt: string;
  readonly positions: number;
  /** Smallest and largest ratio (input turns per output turn, sizes) of the positions that drive. */
  readonly ratios: { readonly least: Rational; readonly most: Rational } | null;
  /** Largest forward ratio over the smallest; null with fewer than two. */
  readonly spread: Rational | null;
  readonly train: Train;
  readonly view: SideView | null;
}

export function shelfEntry(id: string, updatedAt: string, train: Train): ShelfEntry {
  const ratios = [...solvePositions(networkOf(train)).values()].flatMap(({ ratio }) => (ratio ? [ratio] : []));
  const sizes = ratios.map(abs).sort(compare);
  const forward = ratios.filter((ratio) => sign(ratio) > 0).sort(compare);
  const drawn = drawSideView(train, { width: 480, height: 270 });
  return {
    id,
    name: train.name,
    notes: train.notes ?? '',
    updatedAt,
    positions: train.positions.length,
    ratios: sizes.length > 0 ? { least: sizes[0]!, most: sizes.at(-1)! } : null,
    spread: forward.length > 1 ? div(forward.at(-1)!, forward[0]!) : null,
    train,
    view: drawn.ok ? drawn.view : null,
  };
}
