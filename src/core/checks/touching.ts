import { areWheels, type TrainBody } from '../body';
import { FRAME, type Train } from '../train';
import { memberName } from '../words';
import { finding, type Finding } from './finding';

/**
 * Members that want the same room in a train's body, with the place; known once the body has been made. Wheels whose
 * sizes are given are wrong like that. How far out a drum or a coupler goes is the drawing's, not the document's.
 */
export function touchingFindings(
  train: Train,
  { touching, isTrue }: Pick<TrainBody, 'touching' | 'isTrue'>,
): readonly Finding[] {
  return touching.map(({ members: [a, b], parts, at }) => {
    const wheels = areWheels(...parts);
    const place = `${at.z.toFixed(0)} mm along the axis and ${at.r.toFixed(0)} mm out from it`;
    return finding(
      'touching',
      isTrue && wheels ? 'wrong' : 'note',
      {
        what: `In the body ${memberName(train, a)} and ${memberName(train, b)} want the same room.`,
        why: !isTrue
          ? 'As it is drawn they would touch. Sizes are not known yet, so this may be the drawing’s doing.'
          : wheels
            ? `Their wheels meet ${place}: built like this they would touch.`
            : `They meet ${place}, as the drawing leads them; the wheels themselves are clear.`,
        mend: 'Put the sets in another order, lead the drum another way, or give the wheels other widths or centres.',
      },
      {
        members: [a, b].filter((id) => id !== FRAME),
        gears: parts.flatMap(({ kind, id }) => (kind === 'gear' ? [id] : [])),
      },
    );
  });
}
