import { couplerName, gearName, memberName } from '../words';
import type { Train } from '../train';
import type { Fault } from './hypotheses';
import { partsById } from '../train';

/** What is looked at in an open box to see whether a part has this fault: "Second", "the teeth of 24 on planet". */
export function placeToLookAt(train: Train, { fault, part }: Fault): string {
  const { find } = partsById(train);
  if (fault === 'mesh-lost') {
    const names = (find.mesh(part)?.gears ?? []).flatMap((id) => {
      const gear = find.gear(id);
      return gear ? [gearName(train, gear)] : [];
    });
    return `the teeth of ${names.join(' and ')}`;
  }
  return fault === 'member-held' || fault === 'planet-seized' ? memberName(train, part) : couplerName(train, part);
}

/** A fault as a mechanic would say it: "Second never engages". */
export function faultWords(train: Train, { fault, part }: Fault): string {
  switch (fault) {
    case 'never-engages':
      return `${couplerName(train, part)} never engages`;
    case 'stuck-on':
      return `${couplerName(train, part)} is stuck on`;
    case 'never-holds':
      return `${couplerName(train, part)} never holds`;
    case 'seized':
      return `${couplerName(train, part)} is seized: it holds both ways`;
    case 'mesh-lost': {
      const gears = partsById(train).find.mesh(part)?.gears ?? [];
      const names = gears.map((id) => gearName(train, partsById(train).gear(id)));
      return `the teeth of ${names.join(' or ')} are gone`;
    }
    case 'member-held':
      return `${memberName(train, part)} is stuck to the frame`;
    case 'planet-seized':
      return `${memberName(train, part)} is seized on its pin`;
  }
}
