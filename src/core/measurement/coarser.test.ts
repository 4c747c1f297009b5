import { demoTrain } from '@/testing/demo-train';
import { judgeFor, type Reading } from '.';

const TRAM = demoTrain('mud-tram');
const of = (reading: object): Reading => ({ id: 'a', ...reading }) as Reading;

test('a reading that misses by little says how coarsely it would agree; one that misses by far says nothing', () => {
  const { judge, resolutionToAgree } = judgeFor(TRAM);
  const marks = (passed: number) =>
    judge(of({ kind: 'marks', position: '3', member: TRAM.outputs[0], marks: 24, passed, resolution: 0.5 }));
  const near = marks(24.8);
  expect(near.verdict).toBe('does-not-agree');
  expect(resolutionToAgree(near)).toBe(1);
  expect(judge({ ...near.reading, resolution: 1 } as Reading).verdict).not.toBe('does-not-agree');
  expect(resolutionToAgree(marks(40))).toBeNull();
  const slow = judge(of({ kind: 'scale', position: '3', member: TRAM.outputs[0], grams: 100, armMm: 100 }));
  expect(resolutionToAgree(slow)).toBeNull();
});
