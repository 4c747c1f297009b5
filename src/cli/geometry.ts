import { geometryOf, pitchRadius } from '@/core/geometry';
import type { Train } from '@/core/train';

/** Wheels and meshes of a train as they are cut and run, in mm; null where a size is missing or another rule holds. */
export function geometryJson(train: Train): unknown {
  const geometry = geometryOf(train);
  const meshes = train.meshes.map(({ id }) => {
    const mesh = geometry.mesh(id);
    return [
      id,
      {
        centreMm: mesh?.running.centreMm ?? null,
        referenceCentreMm: mesh?.running.referenceCentreMm ?? null,
        pressureAngleDeg: mesh ? (mesh.running.workingAngle * 180) / Math.PI : null,
        shiftSum: mesh?.running.shiftSum ?? null,
        contactRatio: geometry.contactRatio(id),
        usableContactRatio: mesh?.usableContactRatio ?? null,
        overlapRatio: mesh?.overlapRatio ?? null,
        tipClearanceMm: mesh?.tipClearanceMm ?? null,
        workingDepthMm: mesh?.workingDepthMm ?? null,
        backlashMm: mesh?.backlashMm ?? null,
        specificSliding: mesh?.specificSliding ?? null,
        interference: mesh?.interference ?? null,
      },
    ] as const;
  });
  const gears = train.gears.map((gear) => {
    const cut = geometry.gear(gear.id);
    const moduleMm = geometry.moduleMm(gear.id);
    return [
      gear.id,
      {
        pitchMm: moduleMm === null ? null : 2 * pitchRadius(gear, moduleMm),
        baseMm: cut && 2 * cut.form.baseRadius,
        tipMm: cut && 2 * cut.form.tipRadius,
        rootMm: cut && 2 * cut.form.rootRadius,
        tipThicknessMm: cut?.tipThicknessMm ?? null,
        undercut: cut?.undercut ?? null,
      },
    ] as const;
  });
  return { meshes: Object.fromEntries(meshes), gears: Object.fromEntries(gears) };
}
