import { gearName, memberName } from '../words';
import { armOf, axesOf, changeGear, FRAME, type Train, partsById } from '../train';
import { finding, type Finding } from './finding';
import { required } from '../required';

/**
 * Contradictions of place: gears that mesh on one line, couplers between lines that move apart, meshing gears at
 * different stations.
 */
export function axisFindings(train: Train): Finding[] {
  const parts = partsById(train);
  const axisOf = new Map(axesOf(train).flatMap((axis, i) => axis.members.map((id) => [id, i] as const)));
  const name = (id: string) => memberName(train, id);
  const carrierOf = (id: string) => parts.find.member(id)?.carrier ?? FRAME;
  const meshes = train.meshes.flatMap((mesh): Finding[] => {
    const [a, b] = parts.pair(mesh);
    const found: Finding[] = [];
    if (
      armOf(a.member, b.member, parts.find.member) === carrierOf(a.member) &&
      carrierOf(a.member) === carrierOf(b.member) &&
      a.member !== FRAME &&
      b.member !== FRAME &&
      axisOf.get(a.member) === axisOf.get(b.member)
    ) {
      found.push(
        finding(
          'axes',
          'wrong',
          {
            what: `Gears ${gearName(train, a)} and ${gearName(train, b)} mesh, but turn about one line.`,
            why:
              'Couplers, carriers or planets hold their members on one axis; ' +
              'gears that mesh stand beside each other.',
            mend: 'Take the coupler between their shafts away, or let another gear stand between them.',
          },
          { gears: [a.id, b.id], members: [a.member, b.member] },
        ),
      );
    }
    if (a.station !== undefined && b.station !== undefined && a.station !== b.station) {
      found.push(
        finding(
          'station',
          'wrong',
          {
            what: `Gears ${a.teeth} and ${b.teeth} mesh, but stand at stations ${a.station} and ${b.station}.`,
            why: 'Gears that mesh stand in one plane across the shafts.',
            mend: 'Give both the same station.',
            mends: [
              {
                label: `Both at ${a.station}`,
                apply: (now) => changeGear(now, b.id, { station: required(a.station) }),
              },
              {
                label: `Both at ${b.station}`,
                apply: (now) => changeGear(now, a.id, { station: required(b.station) }),
              },
            ],
          },
          { gears: [a.id, b.id] },
        ),
      );
    }
    return found;
  });
  const couplers = train.couplers.flatMap((coupler): Finding[] => {
    if (!('joins' in coupler)) return [];
    const [a, b] = coupler.joins;
    // Two planets of one carrier may stand on one pin; else what a carrier swings round leaves what it does not.
    if (carrierOf(a) === carrierOf(b)) return [];
    return [
      finding(
        'axes',
        'wrong',
        {
          what: `Joined by ${coupler.name || coupler.id}: ${name(a)} and ${name(b)}, whose lines move apart.`,
          why: 'A planet is carried round; what it is joined to has to be carried with it.',
          mend: 'Join its carrier instead, or two planets of one carrier.',
        },
        { members: [a, b].filter((id) => id !== FRAME), couplers: [coupler.id] },
      ),
    ];
  });
  return [...meshes, ...couplers];
}
