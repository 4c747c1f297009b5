import { axesOf, FRAME, type Train, partsById } from '../train';
import { lookUp } from '../required';

/** A pair of wheels on fixed axes in a train, the one nearer to the input first. */
export interface TrainStage {
  readonly mesh: string;
  readonly driver: string;
  readonly driven: string;
}

/**
 * The pairs of external and internal gears on fixed axes, in the order in which the input reaches them, whatever is
 * engaged. An idler leaves the ratio alone: the wheels on both sides of it are the pair.
 */
export const stagesOf = (train: Train): readonly TrainStage[] => withoutIdlers(train, meshedPairs(train));

function withoutIdlers(train: Train, pairs: readonly TrainStage[]): readonly TrainStage[] {
  const isOnlyIdler = (gear: string) => {
    const { member } = partsById(train).gear(gear);
    return (
      train.gears.filter((other) => other.member === member).length === 1 &&
      !train.outputs.includes(member) &&
      !train.couplers.some((coupler) => 'joins' in coupler && coupler.joins.includes(member))
    );
  };
  const idlers = new Map(
    pairs
      .filter(({ driven }) => pairs.some(({ driver }) => driver === driven) && isOnlyIdler(driven))
      .map((pair) => [pair.driven, pair.driver]),
  );
  const before = (gear: string): string => (idlers.has(gear) ? before(lookUp(idlers, gear)) : gear);
  return pairs.filter(({ driven }) => !idlers.has(driven)).map((pair) => ({ ...pair, driver: before(pair.driver) }));
}

function meshedPairs(train: Train): readonly TrainStage[] {
  const parts = partsById(train);
  const fixed = new Set(axesOf(train).flatMap(({ arm, members }) => (arm === FRAME ? members : [])));
  const stages: TrainStage[] = [];
  const seen = new Set<string>();
  const reached = new Set([train.input]);
  // Member after member, as they are reached by a mesh, a clutch or a planet.
  for (const member of reached) {
    for (const mesh of train.meshes) {
      const [a, b] = parts.pair(mesh);
      if (seen.has(mesh.id) || (a.member !== member && b.member !== member)) continue;
      seen.add(mesh.id);
      const [driver, driven] = a.member === member ? [a, b] : [b, a];
      reached.add(driven.member);
      const plain = [a, b].every(
        ({ type, member: own }) => (type === 'external' || type === 'internal') && fixed.has(own),
      );
      if (plain) stages.push({ mesh: mesh.id, driver: driver.id, driven: driven.id });
    }
    for (const { id, carrier } of train.members) {
      if (carrier === member) reached.add(id);
      if (id === member && carrier !== undefined && carrier !== FRAME) reached.add(carrier);
    }
    for (const coupler of train.couplers)
      if ('joins' in coupler && coupler.joins.includes(member)) {
        const other = coupler.joins.find((id) => id !== member);
        if (other !== undefined && other !== FRAME) reached.add(other);
      }
  }
  return stages;
}
