'use client';

import type { MeshRole } from '@/core/powerflow';
import { toNumber } from '@/core/rational';
import { hasPart, type Train, partsById } from '@/core/train';
import { figure, wayText } from '@/core/units';
import { couplerWords, gearWords, memberName } from '@/core/words';
import type { Explained } from '@/features/train/analysis';
import { useScale } from '@/features/train/input/loads';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { couplerState, decidesForItself, ROLE_TEXT } from '@/features/train/words';
import { memberPower } from '../powers';
import { useOpenCard } from '../use-bench';
import { usePointed, type Pointed } from './pointed';
import { useTrainWords } from '@/features/train/use-train-words';

const WIDTH = 250;

/** One small label beside the part that is pointed at: how it turns, what it carries, what it does here. */
export function PartNote() {
  const pointed = usePointed((state) => state.pointed);
  const editing = useOpenCard();
  // A part can go while it is pointed at: removed, or taken back by undo.
  const there = useTrain(({ train }) => pointed !== null && hasPart(train, pointed.part));
  if (!pointed || editing || !there) return null;
  return <Note pointed={pointed} />;
}

function Note({ pointed: { part, at } }: { pointed: Pointed }) {
  const train = useTrain((state) => state.train);
  const position = useExplained();
  const left = Math.min(
    Math.max(8, at.right + 12 + WIDTH > innerWidth ? at.left - WIDTH - 12 : at.right + 12),
    innerWidth - WIDTH - 8,
  );
  const top = Math.min(Math.max(8, at.top), innerHeight - 150);
  return (
    <div
      role="tooltip"
      style={{ left, top, width: WIDTH }}
      className={
        'pointer-events-none fixed z-30 border border-base-content bg-base-100 ' +
        'px-2.5 py-1.5 text-sm leading-snug shadow-md'
      }
    >
      {part.kind === 'coupler' ? (
        <CouplerLines id={part.id} train={train} position={position} />
      ) : (
        <MemberLines
          gear={part.kind === 'gear' ? part.id : null}
          member={part.kind === 'member' ? part.id : partsById(train).gear(part.id).member}
          train={train}
          position={position}
        />
      )}
    </div>
  );
}

function MemberLines({
  gear: gearId,
  member,
  train,
  position,
}: {
  gear: string | null;
  member: string;
  train: Train;
  position: Explained;
}) {
  const { speed, torque } = useScale();
  const gear = partsById(train).find.gear(gearId);
  const row = position.figures.find(({ id }) => id === member);
  const watts = row && memberPower(row, torque, speed);
  return (
    <>
      <p className="font-semibold">{gear ? gearWords(train, gear) : memberName(train, member)}</p>
      {row && (
        <>
          <p>
            {row.speed === null
              ? 'Speed is open'
              : speed.value === null
                ? wayText(row.speed)
                : `${figure(Math.abs(toNumber(row.speed)) * speed.value)} ${speed.unit}, ${wayText(row.speed)}`}
          </p>
          {row.torque !== null && torque.value !== null && (
            <p>
              {figure(Math.abs(toNumber(row.torque)) * torque.value)} {torque.unit}
              {watts !== null && watts !== undefined && `, ${figure(watts)} W`}
            </p>
          )}
          <p className="muted">
            {[ROLE_TEXT[row.role], ...(gear ? gearRoles(gear.id, train, position) : [])].join('; ')}
          </p>
        </>
      )}
    </>
  );
}

const ROLE_WORDS: Record<Exclude<MeshRole, 'a drives' | 'b drives'>, string> = {
  'turns as one block': 'turns as one block with',
  stands: 'at rest in',
  idle: 'turns idle with',
  shared: 'shares torque with',
  floats: 'floats on',
};

/** What a gear does in each of its meshes. */
function gearRoles(id: string, train: Train, { roles }: Explained): string[] {
  return train.meshes.flatMap((mesh) => {
    const { gears } = mesh;
    const role = roles.get(mesh.id);
    if (!gears.includes(id) || !role) return [];
    const other = partsById(train).mate(mesh, id);
    const mate = `${other.teeth} on ${memberName(train, other.member)}`;
    if (role === 'a drives' || role === 'b drives')
      return [`${(role === 'a drives') === (gears[0] === id) ? 'driver of' : 'driven by'} ${mate}`];
    return [`${ROLE_WORDS[role]} ${mate}`];
  });
}

function CouplerLines({ id, train, position }: { id: string; train: Train; position: Explained }) {
  const coupler = partsById(train).coupler(id);
  const state = couplerState(coupler, position);
  const told = useTrainWords();
  return (
    <>
      <p className="font-semibold">{told(couplerWords(train, coupler))}</p>
      <p>{state}</p>
      <p className="muted">
        {decidesForItself(coupler)
          ? 'It holds and overruns by itself.'
          : state === 'off'
            ? 'Press to engage it.'
            : 'Press to release it.'}{' '}
        E or right click to change it.
      </p>
    </>
  );
}
