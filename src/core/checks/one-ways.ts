import { networkOf, openMotion, openTrain } from '../kinematics';
import { jammedOneWays, workingOneWays } from '../solve';
import { reverseOneWay, type Train } from '../train';
import { couplerName, listed } from '../words';
import { finding, type Finding } from './finding';

/**
 * One-way clutches that are always at work and can never overrun: they lock each other, or join what turns as one
 * anyway.
 */
export function oneWayFindings(train: Train): Finding[] {
  const network = networkOf(train);
  const working = workingOneWays(network, new Set());
  const name = (id: string) => couplerName(train, id);
  return jammedOneWays(openMotion(openTrain(network)), working).map((ring) => {
    const names = ring.map(name);
    const alone = ring.length === 1;
    return finding(
      'one-way clutches',
      alone ? 'note' : 'wrong',
      {
        what: alone
          ? `One-way clutch ${names[0]} can never overrun.`
          : `One-way clutches ${listed(names)} lock each other.`,
        why: alone
          ? 'It joins what the meshes make turn as one anyway, so it has nothing to do.'
          : 'None of them can overrun, whatever is engaged: what they join turns as one both ways, or stands.',
        mend: alone
          ? 'Take it out, or join other members.'
          : 'Turn one of them round; or put a clutch there, if a rigid joint is wanted.',
        mends: alone
          ? []
          : ring.map((id) => ({ label: `Turn ${name(id)} round`, apply: (now) => reverseOneWay(now, id) })),
      },
      { couplers: ring },
    );
  });
}
