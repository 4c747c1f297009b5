import { abs, fraction, inverse, isZero, mul, sum, toFraction } from '../../rational';
import { inputTorque, solveLoads } from '../../solve';
import { listed, memberName } from '../../words';
import { slipsApart, tenfoldSlips } from '../slips';
import { size, workingLines } from '../subject';
import type { AskSkill } from './skill';

/**
 * The torque that has to be put in for loads at the outputs, without losses: each load times its output's speed, all
 * together.
 */
export const load: AskSkill = (subject, draw) => {
  const { train, open } = subject;
  const place = draw.pick(subject.driving);
  if (!place) return undefined;
  const turning = train.outputs.flatMap((id) => {
    const speed = place.figures.get(id)?.speed;
    return speed && !isZero(speed) ? [{ id, speed: abs(speed) }] : [];
  });
  if (turning.length === 0) return undefined;
  const loads = turning.map((one) => ({ ...one, torque: fraction(draw.whole(1, 12)) }));
  const found = solveLoads(open, place.engaged, new Map(loads.map(({ id, torque }) => [id, torque])));
  const put = found.ok ? inputTorque(found.solved) : null;
  if (!put || isZero(put)) return undefined;
  const terms = loads.map(({ torque, speed }) => `${toFraction(torque)} N·m × ${toFraction(speed)}`);
  const wrong = sum(loads.map(({ torque, speed }) => mul(torque, inverse(speed))));
  return {
    position: place.id,
    text:
      `In position ${place.name}, without losses: ` +
      listed(loads.map(({ id, torque }) => `a load of ${toFraction(torque)} N·m holds ${memberName(train, id)}`)) +
      '. ' +
      'What is the input torque, in N·m?',
    answer: { kind: 'number', value: size(put), unit: 'N·m' },
    slips: slipsApart(put, [['torque-like-speed', wrong], ...tenfoldSlips(put)]),
    working: [
      ...workingLines(subject, place),
      `The input torque is what the loads take, for one turn of the input: ${terms.join(' + ')} = ${size(put)} N·m`,
    ],
  };
};
