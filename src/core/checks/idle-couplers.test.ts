import { demoTrain, demoTrains } from '@/testing/demo-train';
import { toFraction } from '../rational';
import { solveCoasting, type Solved } from '../solve';
import { reverseOneWay, type Train } from '../train';
import { modelOf } from '../model';
import { checkDesign } from '.';

const found = (train: Train, kind: 'idle coupler' | 'same ratio') =>
  checkDesign(train).filter((one) => one.kind === kind);

/**
 * Another route: the coupler taken out of the document, and everything that turns compared, in drive, and of others
 * than one-way clutches in coasting too.
 */
function changesNothing(train: Train, id: string): boolean {
  const without: Train = {
    ...train,
    couplers: train.couplers.filter((coupler) => coupler.id !== id),
    positions: train.positions.map((one) => ({ ...one, engaged: one.engaged.filter((other) => other !== id) })),
    selectors: (train.selectors ?? []).map((one) => ({
      ...one,
      spans: one.spans.filter(({ coupler }) => coupler !== id),
    })),
  };
  const turns = ({ status, state, network }: Solved) => [
    status,
    ...network.memberIds.map((_, member) => {
      const speed = state.speeds.of(member);
      return speed && toFraction(speed);
    }),
  ];
  return train.positions.every(({ id: position, engaged }, i) => {
    const other = without.positions[i]!.engaged;
    const drive = [modelOf(train).solvedIn(position), modelOf(without).solvedIn(position)] as const;
    const coast = [solveCoasting(modelOf(train).open, engaged), solveCoasting(modelOf(without).open, other)] as const;
    const oneWay = train.couplers.find((coupler) => coupler.id === id)!.type === 'one-way';
    return (oneWay ? [drive] : [drive, coast]).every(([a, b]) => turns(a).join() === turns(b).join());
  });
}

test('whatever is told to do nothing changes nothing when it is taken out; one-way clutches both ways round', () => {
  let [told, silent] = [0, 0];
  for (const train of demoTrains()) {
    const oneWays = train.couplers.filter(({ type }) => type === 'one-way').slice(0, 3);
    const turned = oneWays.flatMap(({ id }) => {
      const edit = reverseOneWay(train, id);
      return edit.ok ? [edit.train] : [];
    });
    for (const one of [train, ...turned]) {
      const idle = new Set(found(one, 'idle coupler').flatMap(({ couplers }) => couplers));
      for (const { id } of one.couplers.filter((coupler) => coupler.type === 'one-way' || idle.has(coupler.id))) {
        const nothing = changesNothing(one, id);
        if (idle.has(id)) {
          expect([one.name, id, nothing]).toEqual([one.name, id, true]);
          told++;
        } else silent++;
      }
    }
  }
  expect([told > 0, silent > 0]).toEqual([true, true]);
});

test('a pawl drawn the wrong way round gives one ratio more than once, and both are said', () => {
  const hub = demoTrain('draisine-hub');
  const ladder = (train: Train) => modelOf(train).positions();
  expect(found(hub, 'same ratio')).toEqual([]);
  let seen = 0;
  for (const { id } of hub.couplers.filter(({ type }) => type === 'one-way')) {
    const edit = reverseOneWay(hub, id);
    if (!edit.ok) continue;
    const ratios = [...ladder(edit.train).values()].flatMap(({ ratio }) => (ratio ? [toFraction(ratio)] : []));
    const twice = ratios.length - new Set(ratios).size;
    expect(found(edit.train, 'same ratio')).toHaveLength(twice);
    seen += twice;
  }
  expect(seen).toBeGreaterThan(0);
});
