'use client';

import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight } from '@/features/train/use-train';
import { toFraction, toNumber } from '@/core/rational';
import type { OneWayAccount } from '@/core/solve';
import { FRAME, type Train } from '@/core/train';
import { figure } from '@/core/units';
import type { TypedInput } from '@/features/train/input/typed-input';
import { useScale } from '@/features/train/input/loads';
import { couplerName, memberName, sentence } from '@/core/words';
import { itemAt } from '@/core/required';
import { useTrainWords } from '@/features/train/use-train-words';

/** What each one-way clutch does here, why, and what would change it. */
export function OneWayLines() {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const { oneWays, solved } = useExplained();
  const typed = useScale();
  const told = useTrainWords();
  if (oneWays.length === 0) return null;
  const turned = itemAt(solved.network.memberIds, solved.flow.driver);
  return (
    <section className="mt-3 text-sm" aria-label={told('One-way clutches')}>
      <h3 className="font-semibold">{told('One-way clutches')}</h3>
      <ul>
        {oneWays.map((account) => {
          const lit = {
            couplers: [account.id],
            members: [account.pusher, account.pushed].filter((id) => id !== FRAME),
          };
          const [on, off] = [() => light(lit), () => light(null)];
          return (
            <li
              key={account.id}
              tabIndex={0}
              className="border-t border-base-300 py-1 leading-snug hover:bg-base-200 focus-visible:bg-base-200"
              onPointerEnter={on}
              onPointerLeave={off}
              onFocus={on}
              onBlur={off}
            >
              {oneWayText(train, account, typed, memberName(train, turned)).map((text, i) => (
                <span key={i} className={i === 0 ? 'block' : 'muted block'}>
                  {told(text)}
                </span>
              ))}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The account in sentences that fit any name: what it does, why, and what would change it. */
export function oneWayText(
  train: Train,
  { id, how, pusher, pushed, torque, lead, changes }: OneWayAccount,
  typed: TypedInput,
  turned: string,
): string[] {
  const name = couplerName(train, id);
  const [from, to] = [memberName(train, pusher), memberName(train, pushed)];
  const other = changes.map(({ coupler, engage }) => `${couplerName(train, coupler)} ${engage ? 'on' : 'off'}`);
  if (how === 'holds') {
    const carried =
      torque === null
        ? 'torque shared'
        : typed.torque.value === null
          ? `${toFraction(torque)} × the input torque`
          : `${figure(toNumber(torque) * typed.torque.value)} ${typed.torque.unit}`;
    return [
      sentence(`Holds: ${name}, ${carried}, from ${from} to ${to}`),
      pusher === FRAME
        ? `Nothing else keeps ${to} from turning back under the load.`
        : sentence(`Nothing else carries the load on from ${from} to ${to}`),
      ...(other.length > 0 ? [sentence(`Would overrun with ${other.join(', or ')}`)] : []),
    ];
  }
  const by =
    lead === null
      ? 'how fast is undetermined'
      : lead.n === 0
        ? `at the same speed, with nothing to carry`
        : `by ${figure(toNumber(lead))} turns for one of ${turned}`;
  return [
    sentence(
      lead !== null && lead.n === 0 ? `Idles: ${name}, ${by}` : `Overrun: ${name}, ${by}, ${to} ahead of ${from}`,
    ),
    ...(other.length > 0 ? [sentence(`Would hold with ${other.join(', or ')}`)] : []),
  ];
}
