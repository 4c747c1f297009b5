import { deletePosition, partsById, refused, removePart, type Edit, type Train } from '../train';
import type { PartRow, Section } from './columns';
import { withoutBare } from './edit-cell';
import { partsTable } from './rows';

/**
 * A train without the parts of these rows, and without what cannot stand without them; members that only they were on
 * go along.
 */
export function removeRows(train: Train, section: Section, ids: readonly string[]): Edit {
  return ids.reduce<Edit>((edit, id) => (edit.ok ? removeRow(edit.train, section, id) : edit), { ok: true, train });
}

function removeRow(train: Train, section: Section, id: string): Edit {
  const row = partsTable(train)[section].find((one) => one.id === id);
  if (!row) return { ok: true, train };
  switch (section) {
    case 'wheels':
      return refused('A wheel goes with its set or pair: remove the row there.');
    case 'positions':
      return deletePosition(train, id);
    case 'couplers':
      return removePart(train, { kind: 'coupler', id });
    case 'members':
      return removePart(train, { kind: 'member', id });
    case 'sets':
    case 'pairs': {
      const meshes = ownMeshes(train, row.gears, section);
      const cut = meshes.reduce<Edit>(
        (edit, mesh) => (edit.ok ? removePart(edit.train, { kind: 'mesh', id: mesh }) : edit),
        { ok: true, train },
      );
      return cut.ok ? { ok: true, train: withoutGears(cut.train, row) } : cut;
    }
  }
}

/** Gears that mesh elsewhere too stay: an idler, a sun that other planets go round. */
function withoutGears(train: Train, { gears, members }: PartRow): Train {
  const meshed = new Set(train.meshes.flatMap((mesh) => mesh.gears));
  const gone = new Set(gears.filter((gear) => !meshed.has(gear)));
  const left = { ...train, gears: train.gears.filter(({ id }) => !gone.has(id)) };
  const planets = members.filter((member) => partsById(train).find.member(member)?.carrier !== undefined);
  return withoutBare(withoutBare(left, planets), members);
}

/** The meshes of a row: between its gears, one after the other. */
const ownMeshes = (train: Train, gears: readonly string[], section: Section): readonly string[] =>
  train.meshes.flatMap((mesh) =>
    mesh.gears.every((gear) => gears.includes(gear)) && (section === 'sets' || mesh.gears[0] === gears[0])
      ? [mesh.id]
      : [],
  );
