import type { Train } from '../train';
import type { Selector } from './travel';
import { partsById } from '../train';
import { itemAt } from '../required';

/**
 * Spans that face widths and stations give: a wheel that slides along its shaft is in mesh while the faces overlap,
 * from (b₁ + b₂)/2 before both stand in line to as much behind. Its travel counts from where it is drawn, towards
 * higher stations. One selector for each member that slides and none yet works.
 * @param stationMm distance from one station to the next.
 */
export function slidingSpans(train: Train, stationMm: number): readonly Selector[] {
  const worked = new Set((train.selectors ?? []).flatMap(({ spans }) => spans.map(({ coupler }) => coupler)));
  const parts = partsById(train);
  const sliding = train.couplers.flatMap((coupler) => {
    if (coupler.type !== 'sliding-mesh' || worked.has(coupler.id)) return [];
    return [{ coupler: coupler.id, pair: parts.pair(parts.mesh(coupler.mesh)) }];
  });
  /** In how many of these meshes a member has a wheel: the one that slides stands in most. */
  const meshesOf = (member: string) => sliding.filter(({ pair }) => pair.some((gear) => gear.member === member)).length;
  const selectors = new Map<string, Selector>();
  for (const { coupler, pair } of sliding) {
    const [slider, fixed] =
      meshesOf(itemAt(pair, 1).member) > meshesOf(itemAt(pair, 0).member)
        ? [itemAt(pair, 1), itemAt(pair, 0)]
        : [itemAt(pair, 0), itemAt(pair, 1)];
    const { faceWidth: own, station = 0 } = slider;
    const { faceWidth: other, station: there = station } = fixed;
    if (own === undefined || other === undefined) continue;
    const [line, half] = [(there - station) * stationMm, (own + other) / 2];
    const name = partsById(train).member(slider.member).name || slider.member;
    const found = selectors.get(slider.member) ?? {
      id: freeId(train, slider.member),
      name: `${name}, sliding`.slice(0, 120),
      spans: [],
    };
    selectors.set(slider.member, {
      ...found,
      spans: [...found.spans, { coupler, from: line - half, to: line + half }],
    });
  }
  return [...selectors.values()];
}

function freeId(train: Train, member: string): string {
  const taken = new Set((train.selectors ?? []).map(({ id }) => id));
  const stem = `${member} sleeve`.slice(0, 60);
  for (let n = 1; ; n++) {
    const id = n === 1 ? stem : `${stem} ${n}`;
    if (!taken.has(id)) return id;
  }
}
