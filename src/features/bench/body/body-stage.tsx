'use client';

import { useRef } from 'react';
import { FlowChoice } from '@/features/train/input/flow-choice';
import { Notice } from '@/features/train/notice';
import { useTrain } from '@/features/train/use-train';
import type { RunningJob } from '@/workers/use-job';
import { BuildChoice } from '../build/build-choice';
import { OpenCard } from '../editing/open-card';
import { BodyChoice } from './body-choice';
import { BodyControls } from './body-controls';
import { BodyFiles } from './body-files';
import { BodyWords } from './body-words';
import { useBodyHands } from './hands';
import { Touches } from './touches';
import { useScene } from './use-scene';
import type { TrainBody } from '@/core/body';
import type { BodyScene } from './scene';

interface Props {
  readonly job: RunningJob<'body'>;
  /** The figures' order in the side view; null where there is none. */
  readonly order: readonly string[] | null;
  /** Of the train as it is now. */
  readonly made: TrainBody | null;
  /** What is shown meanwhile. */
  readonly body: TrainBody | null;
  /** Why there is none. */
  readonly why: string | null;
}

/** The body on its canvas, with what it is looked at by; three comes with it. */
export function BodyStage({ job: { state, stop, again }, order, made, body, why }: Props) {
  const train = useTrain((now) => now.train);
  const canvas = useRef<HTMLCanvasElement>(null);
  const seen = useScene(canvas, body);
  const scene = seen?.kind === 'scene' ? seen.scene : null;
  return (
    <section aria-label="Body" className="relative flex min-h-80 min-w-0 flex-1 flex-col lg:min-h-0">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 pt-1.5">
        <h2 className="text-sm font-semibold">Body</h2>
        {/* Where both stand beside each other, the side view has these. */}
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1 2xl:hidden">
          <BodyChoice />
          <FlowChoice />
        </div>
        <span className="flex-1" />
        <div className="2xl:hidden">
          <BuildChoice />
        </div>
        {order && <BodyFiles scene={body && scene} order={order} />}
      </div>
      {seen?.kind === 'none' ? (
        <NoBody>
          This browser cannot draw in three dimensions here: WebGL is off or missing. The side view shows the same train
          in half section, and Save has the body as a file (glTF, STL) all the same.
        </NoBody>
      ) : why !== null ? (
        <NoBody>{why}</NoBody>
      ) : null}
      <BodyCanvas canvas={canvas} scene={scene} isThere={seen?.kind !== 'none' && why === null} body={body} />
      {scene && body && <BodyControls body={body} />}
      {state.kind === 'running' && (
        <p className="absolute inset-x-4 top-12 flex items-center gap-3 text-sm" role="status">
          <progress className="progress w-40" value={state.partial ?? 0} max={1} aria-label="Body made so far" />
          The body of {train.gears.length} gears is being made.
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {state.kind === 'stopped' && (
        <p className="absolute inset-x-4 top-12 flex items-center gap-3 text-sm" role="status">
          Stopped before the body was made.
          <button type="button" className="btn btn-xs" onClick={again}>
            Make it
          </button>
        </p>
      )}
      {state.kind === 'failed' && (
        <p className="absolute inset-x-4 top-12 text-sm text-error" role="alert">
          {state.message}
        </p>
      )}
      {made && <Touches body={made} />}
      <OpenCard />
      <Notice />
    </section>
  );
}

const NoBody = ({ children }: { children: React.ReactNode }) => (
  <p className="m-auto max-w-prose p-6 text-center" role="status">
    {children}
  </p>
);

interface CanvasProps {
  readonly canvas: React.RefObject<HTMLCanvasElement | null>;
  readonly scene: BodyScene | null;
  readonly isThere: boolean;
  readonly body: TrainBody | null;
}

/** The canvas itself, which takes pointer and keys. */
function BodyCanvas({ canvas, scene, isThere, body }: CanvasProps) {
  const train = useTrain((state) => state.train);
  const hands = useBodyHands(scene);
  return (
    <div
      role="group"
      tabIndex={0}
      aria-label={`Body of ${train.name}`}
      aria-describedby="body-words"
      aria-keyshortcuts="ArrowLeft ArrowRight ArrowUp ArrowDown + - Home"
      className={
        'relative min-h-0 flex-1 cursor-grab touch-none select-none -outline-offset-4! active:cursor-grabbing ' +
        (isThere ? '' : 'hidden')
      }
      title="Drag to look round it, scroll to come nearer, press a part for its card"
      {...hands}
    >
      <canvas ref={canvas} data-drawing="body" className="absolute inset-0 size-full" aria-hidden />
      {body && <BodyWords body={body} />}
    </div>
  );
}
