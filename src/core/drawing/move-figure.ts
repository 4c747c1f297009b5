import { components, setStations, type Edit, type Train } from '../train';
import { gearsOf } from './order';
import { structureOf } from '../structure';

/** What stands in one place of the side view, with its gears: those that mesh, in groups that share a station. */
export interface FigureGroup {
  readonly key: string;
  readonly stations: readonly (readonly string[])[];
}

/** The figures of a drawing in an order, which drawSideView gives with the view. */
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

/** Moves a gear, with all that meshes with it in one place, to another place along the axis: `to` counts the other figures left of it. */
export function moveFigure(train: Train, order: readonly string[], gear: string, to: number): Edit {
  const groups = [...figureGroups(train, order)];
  const from = groups.findIndex(({ stations }) => stations.some((ids) => ids.includes(gear)));
  if (from < 0) return { ok: false, message: 'This gear has no place of its own in the side view.' };
  const [moved] = groups.splice(from, 1);
  groups.splice(Math.min(groups.length, Math.max(0, to)), 0, moved!);
  return setStations(
    train,
    groups.flatMap(({ stations }) => stations),
  );
}
