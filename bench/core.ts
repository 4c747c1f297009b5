import { Bench } from 'tinybench';
import { drawSideView } from '../src/core/drawing';
import { networkOf } from '../src/core/kinematics';
import { memberFigures } from '../src/core/powerflow';
import { solvePositions } from '../src/core/solve';
import { setTeeth } from '../src/core/train';
import { demoTrain } from '../src/testing/demo-train';

/** What one edit costs before it is painted. */
export async function benchCore(): Promise<void> {
  console.log('\n== an edit of the sluice winch, without painting (limit 16 ms)');
  const train = demoTrain('sluice-winch');
  let teeth = 10;
  const bench = new Bench({ time: 500 });
  bench.add('edit, solve every position, redraw', () => {
    const edit = setTeeth(train, 'l', (teeth = 10 + ((teeth + 1) % 90)));
    if (!edit.ok) throw new Error(edit.message);
    solvePositions(networkOf(edit.train)).forEach(memberFigures);
    drawSideView(edit.train, { width: 880, height: 430 });
  });
  await bench.run();
  console.table(bench.table());
}
