import { checked, refused, type Edit, type Train } from '../train';
import { rowsOf } from '../written-form';
import type { Section } from './columns';

/** A train with a row so many places further down in its section, or up; it stops at either end. */
export function moveRow(train: Train, section: Section, id: string, by: number): Edit {
  if (section === 'sets' || section === 'pairs') return moveMeshes(train, section, id, by);
  if (section === 'wheels') return refused('Wheels stand in the order of their sets and pairs.');
  const list: readonly { readonly id: string }[] = train[section];
  return checked({ ...train, [section]: moved(list, (one) => one.id === id, by) });
}

/** The meshes of a row change places with those of its neighbour in the section. */
function moveMeshes(train: Train, section: 'sets' | 'pairs', id: string, by: number): Edit {
  const rows = rowsOf(train);
  const own = rows.filter(({ arm }) => (arm === null) === (section === 'pairs'));
  const order = moved(own, ({ meshes }) => meshes[0]?.id === id, by);
  let next = 0;
  const meshes = rows.flatMap((row) => (own.includes(row) ? (order[next++]?.meshes ?? []) : row.meshes));
  return checked({ ...train, meshes });
}

function moved<T>(list: readonly T[], is: (one: T) => boolean, by: number): T[] {
  const from = list.findIndex(is);
  const rest = list.filter((one) => !is(one));
  const [one] = list.slice(from, from + 1);
  const to = Math.min(rest.length, Math.max(0, from + by));
  return from < 0 || one === undefined ? [...list] : [...rest.slice(0, to), one, ...rest.slice(to)];
}
