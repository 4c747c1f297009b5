import { changeGear, type Train } from '../src/core/train';
import { checkDesign } from '../src/core/checks';
import { endView } from '../src/core/end-view';
import { memberForces, meshForces, rankWheels } from '../src/core/forces';
import { geometryOf } from '../src/core/geometry';
import { modelOf } from '../src/core/model';
import { demoTrain } from '../src/testing/demo-train';
import { median } from './application';

const ROUNDS = 15;

/** What working geometry and forces cost, and what a change of shift has to work out before it is drawn. */
export function benchMetal(): void {
  console.log('\n== real wheels: geometry, forces, checks');
  const harvester = sized(demoTrain('harvester'));
  const use = { torqueNm: 10, speedRpm: 600 };
  console.log(
    `all positions of the harvester with forces, pins and bearings: ${timed(harvester, (train) => {
      for (const { id } of train.positions) memberForces(train, meshForces(modelOf(train).solvedIn(id), use));
    })} ms (limit 5 ms, motion solved)`,
  );
  console.log(`its wheels compared in all positions: ${timed(harvester, (train) => rankWheels(train, use))} ms`);
  let shift = 0.1;
  const changed = () => {
    shift = shift === 0.1 ? 0.2 : 0.1;
    const edit = changeGear(harvester, harvester.gears[0]?.id ?? '', { shift });
    if (!edit.ok) throw new Error(edit.message);
    geometryOf(edit.train);
    endView(edit.train, []);
    checkDesign(edit.train);
  };
  const times = Array.from({ length: 2 * ROUNDS }, () => measured(changed)).slice(ROUNDS);
  console.log(`a change of shift: geometry, end view and checks ${median(times).toFixed(1)} ms (limit 32 ms, drawn)`);
}

/** The train with sizes, so that everything can be worked out. */
const sized = (train: Train): Train => ({
  ...train,
  stationLength: 20,
  gears: train.gears.map((gear, i) => ({ ...gear, module: 2, faceWidth: 12, station: i % 5, material: 'steel' })),
  members: train.members.map((member) => (member.carrier ? member : { ...member, bearings: [0, 100] as const })),
});

/** On documents that are new each time, their motion solved before. */
function timed(train: Train, work: (train: Train) => unknown): string {
  const times = Array.from({ length: 4 * ROUNDS }, () => {
    const fresh = { ...train };
    for (const { id } of fresh.positions) modelOf(fresh).solvedIn(id);
    return measured(() => work(fresh));
  });
  return median(times.slice(3 * ROUNDS)).toFixed(1);
}

function measured(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}
