import { components, type Train } from '../train';
import { gearsOf, structureOf } from './structure';
import { required } from '../required';

/** What stands in one place of the side view, with its gears: those that mesh, in groups that share a station. */
export interface FigureGroup {
  readonly key: string;
  readonly stations: readonly (readonly string[])[];
}

/** The figures in an order from left to right, such as a side view has; those that it does not name come last. */
export function figureGroups(train: Train, order: readonly string[]): readonly FigureGroup[] {
  const figures = structureOf(train).figures.map((figure) => ({
    key: figure.key,
    stations: components(
      gearsOf(figure).map(({ id }) => id),
      train.meshes.map((mesh) => mesh.gears),
    ),
  }));
  const at = (key: string) => (order.includes(key) ? order.indexOf(key) : order.length);
  return figures.sort((a, b) => at(a.key) - at(b.key));
}

/**
 * The places along the axis when a gear moves, with all that meshes with it in one place: `to` counts the other figures
 * left of it.
 * @returns groups of gears, each to stand one station further than the one before; null where the gear has no place of
 *   its own.
 */
export function movedPlaces(
  train: Train,
  order: readonly string[],
  gear: string,
  to: number,
): readonly (readonly string[])[] | null {
  const groups = [...figureGroups(train, order)];
  const from = groups.findIndex(({ stations }) => stations.some((ids) => ids.includes(gear)));
  if (from < 0) return null;
  const [moved] = groups.splice(from, 1);
  groups.splice(Math.min(groups.length, Math.max(0, to)), 0, required(moved));
  return groups.flatMap(({ stations }) => stations);
}
