import { drawSideView } from '@/core/drawing';
import { endView } from '@/core/end-view';
import { done } from '@/testing/edited';
import { demoTrain } from '@/testing/demo-train';
import { addStep, type Train } from '@/core/train';
import { stationPlaces } from './station-places';

function placesOf(train: Train): (number | null)[] {
  const drawn = drawSideView(train, { width: 880, height: 380 });
  if (!drawn.ok) throw new Error(drawn.why);
  return stationPlaces(drawn.view.gears, endView(train, drawn.view.order));
}

describe('where the stations cut the drawing', () => {
  test.each([
    'sluice-winch',
    'pan-rake',
    'harvester',
    'crawler',
    'draisine-hub',
    'brine-lift',
    'conveyor-shifter',
    'range-box',
    'wagon-axle',
  ])('%s: each in a place of its own, from left to right', (name) => {
    const places = placesOf(demoTrain(name));
    expect(new Set(places).size).toBe(places.length);
    expect(places).not.toContain(null);
    expect([...places].sort((a, b) => a! - b!)).toEqual(places);
  });

  test('every plane of a planet with many steps has its own', () => {
    let train = demoTrain('stirrer');
    for (const teeth of [20, 16, 12]) train = done(addStep(train, 'p1', teeth, 60 - teeth));
    const places = placesOf(train);
    expect(places.length).toBe(4);
    expect(new Set(places).size).toBe(4);
  });

  test('a long pinion with two wheels is cut at each wheel', () => {
    const rake = demoTrain('pan-rake');
    const places = placesOf({
      ...rake,
      members: [...rake.members, { id: 'w4', name: 'low wheel' }],
      gears: [...rake.gears, { id: 'g5', member: 'w4', teeth: 38, type: 'external' }],
      meshes: [...rake.meshes, { id: 'm7', gears: ['g2a', 'g5'] }],
      couplers: [...rake.couplers, { id: 'low', name: 'Low', type: 'clutch', joins: ['w4', 'out'] }],
    });
    expect(places.length).toBe(6);
    expect(new Set(places).size).toBe(6);
  });
});
