import { FRAME, type Gear, type Train } from '../train';

/** What a member is called: its name, or its id where it goes without one. */
export function memberName(train: Train, id: string): string {
  return id === FRAME ? 'the frame' : train.members.find((member) => member.id === id)?.name || id;
}

/** What a coupler is called; a worm that stands is told among the couplers that hold. */
export const couplerName = (train: Train, id: string): string =>
  train.couplers.find((coupler) => coupler.id === id)?.name ||
  (id.startsWith('self-lock') ? 'the self-locking worm' : id);

/** "30 on the lay shaft": gears go by their teeth and what they are on. */
export const gearName = (train: Train, { teeth, member }: Gear): string => `${teeth} on ${memberName(train, member)}`;
