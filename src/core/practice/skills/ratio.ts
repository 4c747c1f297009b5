import { ratioSlips } from '../slips';
import { size, workingLines } from '../subject';
import type { AskSkill } from './skill';

/** The ratio of a position. */
export const ratio: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  return (
    place && {
      position: place.id,
      text: `In position ${place.name}: how many turns of the input make one turn of the output (in/out)?`,
      answer: { kind: 'number', value: size(place.ratio), unit: '' },
      slips: ratioSlips(subject, place, place.ratio),
      working: [...workingLines(subject, place), `The ratio of position ${place.name} is ${size(place.ratio)} in/out.`],
    }
  );
};
