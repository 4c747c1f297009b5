import type { Problem } from './problem';
import type { Mesh, Train } from './schema';

/**
 * A train whose worms are all named first in their meshes, as forces, losses and locking take them: the sizes of a mesh
 * hang on which of its gears is the worm. A mesh that names it second is turned round, with its efficiencies.
 * @returns also what was turned round, as something to be told
 */
export function withWormsFirst(train: Train): { readonly train: Train; readonly told: readonly Problem[] } {
  const types = new Map(train.gears.map(({ id, type }) => [id as string, type]));
  const isTurned = ({ gears: [a, b] }: Mesh) => types.get(b) === 'worm' && types.get(a) !== 'worm';
  const told = train.meshes.flatMap((mesh, i) =>
    isTurned(mesh)
      ? [{ path: ['meshes', i, 'gears'], message: 'The worm is named first in its mesh: it was turned round.' }]
      : [],
  );
  if (told.length === 0) return { train, told };
  return {
    train: { ...train, meshes: train.meshes.map((mesh) => (isTurned(mesh) ? turned(mesh, train) : mesh)) },
    told,
  };
}

function turned({ gears: [a, b], ...mesh }: Mesh, train: Train): Mesh {
  const { id, sense, efficiency, backEfficiency, ...rest } = mesh;
  const efficiencies =
    backEfficiency === undefined
      ? { ...(efficiency !== undefined && { efficiency }) }
      : { efficiency: backEfficiency, backEfficiency: efficiency ?? train.efficiency ?? 1 };
  return { id, gears: [b, a], ...(sense !== undefined && { sense }), ...efficiencies, ...rest };
}
