import { partsRemovedWith, type PartRef, type Train, partsById } from '@/core/train';
import { couplerName, memberName } from '@/core/words';

/** What else goes when a part goes, in words. */
export function removedWith(train: Train, part: PartRef): string[] {
  const { gears, members, meshes, couplers } = partsRemovedWith(train, part);
  const others = (ids: readonly string[], kind: PartRef['kind']) =>
    ids.filter((id) => kind !== part.kind || id !== part.id);
  return [
    ...others(members, 'member').map((id) => memberName(train, id)),
    ...others(gears, 'gear').map((id) => `gear ${partsById(train).gear(id).teeth}`),
    ...(meshes.length > 0 ? [meshes.length === 1 ? 'its mesh' : `${meshes.length} meshes`] : []),
    ...others(couplers, 'coupler').map((id) => couplerName(train, id)),
  ];
}
