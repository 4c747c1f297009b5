import { STATUS_WORDS } from '@/features/train/words';
import { behavioursOf, outcomeKey, type Fault } from '@/core/faults';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { useSideView } from '@/features/train/use-side-view';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { partsById } from '@/core/train';

/** A suspect: where it sits, and what the train would do with it, position by position. */
export function Looked({ train, faults }: { train: Train; faults: readonly Fault[] }) {
  const drawn = useSideView(train);
  const rows = wouldDo(train, faults);
  const parts = new Set(faults.flatMap((fault) => placesOf(train, fault)));
  return (
    <div className="my-1 border border-base-300 p-1">
      {drawn.ok && (
        <SmallSideView view={drawn.view} train={train} className="h-32 w-full">
          {drawn.view.couplers
            .filter(({ coupler }) => parts.has(coupler))
            .map(({ coupler, x, y }) => (
              <circle key={coupler} cx={x} cy={y} r={16} className="fill-none stroke-error" strokeWidth={3} />
            ))}
          {drawn.view.gears
            .filter(({ gear, member }) => parts.has(gear) || parts.has(member))
            .map(({ x, y, radius, halfWidth }, i) => (
              <rect
                key={i}
                x={x - halfWidth - 4}
                y={y - radius - 4}
                width={2 * halfWidth + 8}
                height={2 * radius + 8}
                className="fill-none stroke-error"
                strokeWidth={3}
              />
            ))}
        </SmallSideView>
      )}
      <ul aria-label="What the train would do" className="flex flex-wrap gap-x-3">
        {rows.map(({ id, name, outcome, same }) => (
          <li key={id} className={same ? 'muted' : 'font-semibold'}>
            {name}:{' '}
            {outcome.ratio
              ? `${figure(Math.abs(toNumber(outcome.ratio)))} : 1${outcome.ratio.n < 0 ? ', reverse' : ''}`
              : STATUS_WORDS[outcome.status]}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Each position as a train with these faults would give it, and whether that is as computed. */
function wouldDo(train: Train, faults: readonly Fault[]) {
  const behavioursFor = behavioursOf(train);
  const [faulty, sound] = [behavioursFor(faults), behavioursFor([])];
  return train.positions.map(({ id, name, engaged }) => {
    const outcome = faulty(engaged);
    return { id, name: name || id, outcome, same: outcomeKey(outcome) === outcomeKey(sound(engaged)) };
  });
}

/** Where a fault sits on the drawing: a coupler, the two gears of a mesh, or all gears of a member. */
function placesOf(train: Train, { fault, part }: Fault): readonly string[] {
  return fault === 'mesh-lost' ? (partsById(train).find.mesh(part)?.gears ?? []) : [part];
}
