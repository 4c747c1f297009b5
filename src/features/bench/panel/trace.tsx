'use client';

import clsx from 'clsx';
import type { Stop } from '@/core/powerflow';
import { toFraction, toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import type { Train } from '@/core/train';
import { couplerName, listed, memberName, setName } from '@/core/words';
import { highlightOf } from '@/features/train/highlight';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight } from '@/features/train/use-train';
import { OneWayLines } from './one-way-lines';
import { storyOf } from './sentences';
import { useTrainWords } from '@/features/train/use-train-words';

/** The story of the power from the input to the output; pointing at a sentence lights its parts on the drawing. */
export function Trace() {
  const train = useTrain((state) => state.train);
  const position = useExplained();
  const { working } = position;
  const { sentences, idle } = storyOf(train, position);
  const told = useTrainWords();
  return (
    <div className="mt-2.5">
      <ol className="flex flex-col" aria-label="Trace">
        {sentences.map(({ text, sum, highlight, carriesPower }, i) => (
          <Line key={i} highlight={highlight}>
            <span
              className={clsx('figure w-4 shrink-0 text-sm', carriesPower ? 'font-semibold text-primary' : 'muted')}
            >
              {i + 1}
            </span>
            <span className="min-w-0">
              {told(text)}
              <span className="figure muted block text-[13px] leading-snug">{sum}</span>
            </span>
          </Line>
        ))}
      </ol>
      {idle.length > 0 && (
        <p className="muted border-t border-base-300 py-1 text-sm">
          Turning idle: <Names ids={idle} />.
        </p>
      )}
      {working.floating.length > 0 && (
        <p className="muted border-t border-base-300 pt-1 text-sm">
          Undetermined, free to turn or stop: <Names ids={working.floating} />.
        </p>
      )}
      <OneWayLines />
      <Paths />
    </div>
  );
}

/** Members by name; pointing at them lights them. */
function Names({ ids }: { ids: readonly string[] }) {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const [on, off] = [() => light({ members: ids }), () => light(null)];
  return (
    <span tabIndex={0} onPointerEnter={on} onPointerLeave={off} onFocus={on} onBlur={off}>
      {listed(ids.map((id) => memberName(train, id)))}
    </span>
  );
}

/** The paths by which power goes through, each with its share. */
function Paths() {
  const train = useTrain((state) => state.train);
  const { paths, solved } = useExplained();
  if (paths === null) return <OpenPaths split={solved.status === 'split'} />;
  if (paths.paths.length === 0) return null;
  const lossy = solved.losses;
  return (
    <section className="mt-3 text-sm" aria-label="Power paths">
      <h3 className="font-semibold">
        {paths.paths.length === 1 ? 'Power goes one way' : `Power goes ${paths.paths.length} ways`}
        {lossy && <span className="muted font-normal">, in % of the input power, as it arrives at the output</span>}
      </h3>
      <ul>
        {paths.paths.map(({ share, stops }, i) => (
          <Line
            key={i}
            highlight={highlightOf({
              members: stops.filter(({ kind }) => kind === 'member').map(({ id }) => id),
              couplers: stops.filter(({ kind }) => kind === 'joint').map(({ id }) => id),
            })}
          >
            <span className="figure w-16 shrink-0 text-right" title={`exactly ${toFraction(share)}`}>
              {figure(100 * toNumber(share))} %
            </span>
            <span>{stops.flatMap((stop) => stopName(train, stop) ?? []).join(' → ')}</span>
          </Line>
        ))}
      </ul>
    </section>
  );
}

/** What a stop is called; a pair of gears between two members goes without saying. */
function stopName(train: Train, { kind, id }: Stop): string | null {
  if (kind === 'member') return memberName(train, id);
  if (kind === 'joint') return couplerName(train, id);
  return kind === 'set' ? setName(train, id) : null;
}

function OpenPaths({ split }: { split: boolean }) {
  const several = useTrain(({ train }) => train.outputs.length > 1);
  const unloaded = useTrain(({ given }) => given === 'torque');
  return (
    <p className="muted mt-3 border-t border-base-300 pt-1 text-sm">
      {split
        ? 'How power divides depends on how fast each output turns.'
        : several && unloaded
          ? 'How power divides depends on what holds each output: choose “loads” under Given, and type them.'
          : 'How power divides is not determined: parallel ways share it.'}
    </p>
  );
}

function Line({ highlight, children }: { highlight: ReturnType<typeof highlightOf>; children: React.ReactNode }) {
  const light = useLight();
  return (
    <li
      tabIndex={0}
      className="flex gap-3 border-t border-base-300 py-1 leading-snug hover:bg-base-200 focus-visible:bg-base-200"
      onPointerEnter={() => light(highlight)}
      onPointerLeave={() => light(null)}
      onFocus={() => light(highlight)}
      onBlur={() => light(null)}
    >
      {children}
    </li>
  );
}
