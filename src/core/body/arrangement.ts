import { endView, toothPhases, type EndViewGear, type WheelMesh } from '../end-view';
import type { Train } from '../train';

/** A wheel as it stands before anything turns; of equal planets each by itself. */
export interface StandingWheel {
  readonly wheel: EndViewGear;
  /** Angle of its first tooth, radians. */
  readonly phase: number;
}

/** How all wheels of a train stand in each other's teeth before anything turns. */
export function standingWheels(train: Train, order: readonly string[]): readonly StandingWheel[] {
  const wheels: EndViewGear[] = [];
  const places = new Map<string, number>();
  const meshes: WheelMesh[] = [];
  for (const station of endView(train, order)) {
    // A long gear, or a planet in two planes, is seen in more than one cut: it is one wheel all the same.
    const own = station.wheels.map((wheel) => {
      const key = `${wheel.gear} ${wheel.copy}`;
      const at = places.get(key) ?? wheels.push(wheel) - 1;
      places.set(key, at);
      return at;
    });
    for (const { a, b, mesh } of station.meshes) {
      const [from, to] = [own[a], own[b]];
      if (from !== undefined && to !== undefined) meshes.push({ a: from, b: to, mesh });
    }
  }
  const phases = toothPhases(wheels, meshes, () => 0);
  return wheels.map((wheel, i) => ({ wheel, phase: phases[i] ?? 0 }));
}
