'use client';

import type { ReactNode } from 'react';
import { isZero } from '@/core/rational';
import { FRAME } from '@/core/train';
import { ratioFigure } from '@/core/units';
import { couplerName, listed, memberName, sentence } from '@/core/words';
import type { Explained } from '@/features/train/analysis';
import { toggleCoupler } from '@/features/train/choosing';
import { type Highlight, highlightOf } from '@/features/train/highlight';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight, useTrainStore } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { lawText } from './outputs';
import { itemAt } from '@/core/required';

/**
 * Why nothing comes out: what fights, where the power stops, or what runs ahead; every name lights its part, and a
 * press mends it.
 */
export function Reason() {
  const position = useExplained();
  switch (position.solved.status) {
    case 'locked':
      return <Locked position={position} />;
    case 'split':
      return <Split position={position} />;
    default:
      return position.flow === 'drive' ? <Stopped position={position} /> : <RunsAhead position={position} />;
  }
}

function Split({ position: { laws, solved } }: { position: Explained }) {
  const train = useTrain((state) => state.train);
  const turned = memberName(train, itemAt(solved.network.memberIds, solved.flow.driver));
  return (
    <div>
      <p className="text-lg font-semibold">Power is split: the outputs share it and can turn at different speeds.</p>
      {laws.map((law, i) => (
        <p key={i} className="figure" data-testid="law">
          {lawText(train, law, turned)}
        </p>
      ))}
    </div>
  );
}

function Locked({ position: { locks, solved, flow } }: { position: Explained }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const names = locks.map((id) => couplerName(train, id));
  const what = flow === 'drive' ? 'the input cannot turn' : 'the load cannot turn it this way';
  return (
    <div>
      {flow !== 'backward' && <p className="text-lg font-semibold text-error">Locked: {what}.</p>}
      {locks.length === 0 ? (
        <p>The meshes alone lock it, whatever is engaged.</p>
      ) : names.length === 1 ? (
        <p>{sentence(`Tied up by one thing alone: ${names[0]}`)}</p>
      ) : (
        <p>
          {listed(names)} {names.length === 2 ? 'tie up the train' : 'tie it up together'}: release one of them and it
          turns.
        </p>
      )}
      <ul className="mt-1.5 flex flex-wrap gap-2">
        {locks
          .filter((id) => solved.engaged.has(id))
          .map((id) => (
            <li key={id}>
              <Pointing highlight={highlightOf({ couplers: [id] })}>
                <button
                  type="button"
                  className="btn btn-outline btn-error btn-xs"
                  onClick={() => toggleCoupler(store, id)}
                >
                  Release {couplerName(train, id)}
                </button>
              </Pointing>
            </li>
          ))}
      </ul>
    </div>
  );
}

function Stopped({ position: { stops, solved, wouldDrive, moves } }: { position: Explained }) {
  const train = useTrain((state) => state.train);
  return (
    <div>
      <p className="text-lg font-semibold">
        {solved.status === 'held'
          ? 'The output is held while the input turns.'
          : 'Neutral: the input turns and no output is driven.'}
      </p>
      <Following ids={(stops?.follow ?? []).filter((id) => id !== train.input)} />
      {stops && stops.openSets.length > 0 && (
        <p>
          {sentence(`No reaction member in the set on ${listed(stops.openSets.map((id) => memberName(train, id)))}`)}
        </p>
      )}
      {stops && stops.overrun.length > 0 && (
        <p>
          <Pointing highlight={highlightOf({ couplers: stops.overrun })}>
            <span tabIndex={0}>
              {sentence(`Overrun, carrying nothing on: ${listed(stops.overrun.map((id) => couplerName(train, id)))}`)}
            </span>
          </Pointing>
        </p>
      )}
      <Dragged ids={moves.filter(({ isFree, speed }) => isFree && !isZero(speed)).map(({ id }) => id)} />
      {solved.dragged.holds.size > 0 && (
        <p>
          {sentence(
            `Against that drag holds: ${listed([...solved.dragged.holds].map((id) => couplerName(train, id)))}`,
          )}
        </p>
      )}
      <WouldDriveNow found={wouldDrive} />
      <Engageable ids={(stops?.open ?? []).filter((id) => !wouldDrive.some(({ engage }) => engage.includes(id)))} />
    </div>
  );
}

/** What no load turns, and the slightest drag does. */
function Dragged({ ids }: { ids: readonly string[] }) {
  const train = useTrain((state) => state.train);
  if (ids.length === 0) return null;
  return (
    <p>
      Undetermined, but turning with the slightest drag:{' '}
      <Pointing highlight={highlightOf({ members: ids })}>
        <span tabIndex={0}>{sentence(listed(ids.map((id) => memberName(train, id))))}</span>
      </Pointing>
    </p>
  );
}

/** So many ways to make it drive are offered. */
const MOST_OFFERED = 6;

function WouldDriveNow({ found }: { found: Explained['wouldDrive'] }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  if (found.length === 0) return null;
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-2">
      <span className="muted text-sm">Would drive:</span>
      {found.slice(0, MOST_OFFERED).map(({ engage, ratio }) => (
        <Pointing key={engage.join()} highlight={highlightOf({ couplers: engage })}>
          <button
            type="button"
            className="btn btn-outline btn-xs"
            onClick={() => engage.forEach((id) => toggleCoupler(store, id))}
          >
            Engage {engage.map((id) => couplerName(train, id)).join(' + ')}{' '}
            <span className="figure font-normal">{ratioFigure(ratio, convention)}</span>
          </button>
        </Pointing>
      ))}
      {found.length > MOST_OFFERED && (
        <span className="muted text-sm">and {found.length - MOST_OFFERED} other ways</span>
      )}
    </div>
  );
}

/** The load pushes and the input does not follow: who pushes, what runs ahead, what may stand. */
function RunsAhead({ position: { solved, oneWays, stops, flow, letGo } }: { position: Explained }) {
  const train = useTrain((state) => state.train);
  const name = (id: string) => memberName(train, id);
  const pushers = [solved.flow.driver, ...solved.flow.together.map(({ member }) => member)].map((member) =>
    itemAt(solved.network.memberIds, member),
  );
  const reached = (member: string) =>
    member !== FRAME && (pushers.includes(member) || (stops?.follow.includes(member) ?? false));
  const overrun = oneWays.filter(
    ({ id, how, pushed }) => how === 'overruns' && (letGo.includes(id) || reached(pushed)),
  );
  const input = name(train.input);
  return (
    <div>
      {flow === 'coast' && (
        <p className="text-lg font-semibold">
          {solved.status === 'held'
            ? 'The load turns, and the input is held still.'
            : overrun.length > 0
              ? 'Overruns: the load turns ahead of the input.'
              : 'Nothing connects the load to the input.'}
        </p>
      )}
      <ul className="mt-0.5">
        <li>{sentence(`Pushing: ${listed(pushers.map(name))}`)}</li>
        {overrun.length > 0 && (
          <li>
            <Pointing highlight={highlightOf({ couplers: overrun.map(({ id }) => id), members: pushers })}>
              <span tabIndex={0}>
                {sentence(
                  `Running ahead of ${listed(overrun.map(({ id }) => couplerName(train, id)))}: ` +
                    `${listed([...new Set(overrun.map(({ pushed }) => name(pushed)))])}`,
                )}
              </span>
            </Pointing>
          </li>
        )}
        <li>{sentence(solved.status === 'held' ? `Held still: ${input}` : `Free to stand: ${input}`)}</li>
      </ul>
      {overrun.length === 0 && <Engageable ids={stops?.open ?? []} />}
    </div>
  );
}

function Following({ ids }: { ids: readonly string[] }) {
  const train = useTrain((state) => state.train);
  const shown = ids.filter((id) => !train.members.some((member) => member.id === id && member.carrier !== undefined));
  if (shown.length === 0) return null;
  return (
    <p>
      Turning idle, and nothing goes on from there:{' '}
      <Pointing highlight={highlightOf({ members: shown })}>
        <span tabIndex={0}>{sentence(listed(shown.map((id) => memberName(train, id))))}</span>
      </Pointing>
    </p>
  );
}

function Engageable({ ids }: { ids: readonly string[] }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  if (ids.length === 0) return null;
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-2">
      <span className="muted text-sm">Power stops at, without driving alone:</span>
      {ids.map((id) => (
        <Pointing key={id} highlight={highlightOf({ couplers: [id] })}>
          <button type="button" className="btn btn-outline btn-xs" onClick={() => toggleCoupler(store, id)}>
            Engage {couplerName(train, id)}
          </button>
        </Pointing>
      ))}
    </div>
  );
}

/** Lights parts of the drawing while it is pointed at or focused. */
function Pointing({ highlight, children }: { highlight: Highlight; children: ReactNode }) {
  const light = useLight();
  const [on, off] = [() => light(highlight), () => light(null)];
  return (
    <span onPointerEnter={on} onPointerLeave={off} onFocus={on} onBlur={off}>
      {children}
    </span>
  );
}
