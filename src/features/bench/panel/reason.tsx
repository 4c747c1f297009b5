'use client';

import type { ReactNode } from 'react';
import type { Position } from '../analysis';
import { highlightOf, toggleCoupler, useBench, useBenchStore, type Highlight } from '../store';
import { usePosition } from '../use-position';
import { couplerName, listed, memberName } from '../words';

/** Why nothing comes out: what fights, or where the power stops; every name lights its part, and a press mends it. */
export function Reason() {
  const position = usePosition();
  switch (position.solved.status) {
    case 'locked':
      return <Locked position={position} />;
    case 'split':
      return <p className="text-lg font-semibold">Power is split: the outputs share it and can turn at different speeds.</p>;
    default:
      return <Stopped position={position} />;
  }
}

function Locked({ position: { locks, solved } }: { position: Position }) {
  const store = useBenchStore();
  const train = useBench((state) => state.train);
  const names = locks.map((id) => couplerName(train, id));
  return (
    <div>
      <p className="text-lg font-semibold text-error">Locked: the input cannot turn.</p>
      {locks.length === 0 ? (
        <p>The meshes alone lock it, whatever is engaged.</p>
      ) : (
        <p>
          {listed(names)} {names.length === 1 ? 'alone ties it up' : names.length === 2 ? 'fight each other' : 'tie it up together'}: release {names.length === 1 ? 'it' : 'one of them'} and it turns.
        </p>
      )}
      <ul className="mt-1.5 flex flex-wrap gap-2">
        {locks.filter((id) => solved.engaged.has(id)).map((id) => (
          <li key={id}>
            <Pointing highlight={highlightOf({ couplers: [id] })}>
              <button type="button" className="btn btn-outline btn-error btn-xs" onClick={() => toggleCoupler(store, id)}>
                Release {couplerName(train, id)}
              </button>
            </Pointing>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Stopped({ position: { stops, solved } }: { position: Position }) {
  const store = useBenchStore();
  const train = useBench((state) => state.train);
  const following = (stops?.follow ?? []).filter((id) => id !== train.input && !train.members.some((member) => member.id === id && member.carrier !== undefined));
  return (
    <div>
      <p className="text-lg font-semibold">{solved.status === 'held' ? 'The output is held while the input turns.' : 'Neutral: the input turns and no output is driven.'}</p>
      {following.length > 0 && (
        <p>
          <Pointing highlight={highlightOf({ members: following })}>
            <span tabIndex={0}>{listed(following.map((id) => memberName(train, id)))}</span>
          </Pointing>{' '}
          {following.length === 1 ? 'turns' : 'turn'} with it; nothing goes on from there.
        </p>
      )}
      {stops && stops.openSets.length > 0 && <p>On {listed(stops.openSets.map((id) => memberName(train, id)))} nothing is held to push against.</p>}
      {stops && stops.open.length > 0 && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2">
          <span className="muted text-sm">Power stops at:</span>
          {stops.open.map((id) => (
            <Pointing key={id} highlight={highlightOf({ couplers: [id] })}>
              <button type="button" className="btn btn-outline btn-xs" onClick={() => toggleCoupler(store, id)}>
                Engage {couplerName(train, id)}
              </button>
            </Pointing>
          ))}
        </div>
      )}
    </div>
  );
}

/** Lights parts of the drawing while it is pointed at or focused. */
function Pointing({ highlight, children }: { highlight: Highlight; children: ReactNode }) {
  const set = useBench((state) => state.set);
  const [on, off] = [() => set({ highlight }), () => set({ highlight: null })];
  return (
    <span onPointerEnter={on} onPointerLeave={off} onFocus={on} onBlur={off}>
      {children}
    </span>
  );
}
