'use client';

import type { TrainBody } from '@/core/body';
import { listed, memberName } from '@/core/words';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import type { MemberRole } from '@/core/powerflow';
import { useBodyView } from './view';

/** What is seen, in words. */
export function BodyWords({ body }: { body: TrainBody }) {
  const train = useTrain((state) => state.train);
  const { figures } = useExplained();
  const { cut, apart, hidden } = useBodyView((state) => state);
  const who = (...roles: readonly MemberRole[]) =>
    figures.filter(({ id, role }) => roles.includes(role) && !hidden.has(id)).map(({ id }) => memberName(train, id));
  const say = (names: readonly string[], what: string) => (names.length > 0 ? ` ${listed(names)} ${what}.` : '');
  return (
    <p id="body-words" className="sr-only">
      The train in three dimensions, {body.axes.length === 1 ? 'on one axis' : `on ${body.axes.length} axes`}
      {cut.wide > 0 ? `, with a sector of ${Math.round((cut.wide * 180) / Math.PI)}° taken out` : ', closed'}
      {apart > 0 ? ', its sets drawn apart' : ''}.{say(who('drives', 'carries', 'gives out', 'shared'), 'carry power')}
      {say(who('holds', 'still'), 'stand still')}
      {say(who('idle', 'floats'), 'turn idly')}
      {hidden.size > 0 ? ` ${hidden.size} members are hidden.` : ''}
    </p>
  );
}
