import { compare, equals, sign } from '../../rational';
import { engagedText, ratioWords, workingLines, type SubjectPosition } from '../subject';
import type { AskSkill } from './skill';
import { required } from '../../required';

const MOST_CHOICES = 4;

/** Which elements give reverse, the lowest, or a wanted ratio. */
export const askElements: AskSkill = (subject, draw) => {
  const { driving } = subject;
  const unlike = driving.filter((one, i) => driving.findIndex((other) => equals(other.ratio, one.ratio)) === i);
  const place = draw.pick(unlike);
  const others = draw.shuffled(unlike.filter((one) => one !== place)).slice(0, MOST_CHOICES - 1);
  if (!place || others.length === 0) return undefined;
  const shown: readonly SubjectPosition[] = draw.shuffled([place, ...others]);
  const choices = shown.map(({ engaged }) => engagedText(subject, engaged));
  if (new Set(choices).size < choices.length) return undefined;
  const wanted = [place, ...others];
  const lowest =
    wanted.every(({ ratio }) => sign(ratio) > 0) && wanted.every((one) => compare(one.ratio, place.ratio) <= 0);
  const reverse = sign(place.ratio) < 0 && others.every(({ ratio }) => sign(ratio) > 0);
  const what = reverse ? 'reverse' : lowest ? 'the slowest output' : ratioWords(place.ratio);
  return {
    // What is engaged in it would be the answer.
    position: null,
    text: `Which of these gives ${what}?`,
    answer: { kind: 'choice', value: engagedText(subject, place.engaged), choices },
    slips: [],
    working: [
      ...shown.map((one) => `${engagedText(subject, one.engaged)}: ${ratioWords(required(one.solved.ratio))}`),
      ...workingLines(subject, place),
    ],
  };
};
