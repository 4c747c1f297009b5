import { Pause, Play } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { playbackOf, sampleAt, sampleBefore } from '@/core/shifting';
import { PowerFlowLines } from '@/features/train/power-flow';
import { useSideView } from '@/features/train/use-side-view';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { TurnMarks } from '@/figures/side-view/turn-marks';
import type { FinishedRun } from '../store';
import { useShifting, useShiftingItself } from '../use-shifting';
import { partsById } from '@/core/train';

const RATES = ['0.1', '0.25', '1', '4'] as const;

/**
 * The side view at the moment under the cursor: what is engaged, where power flows, and how far everything has turned.
 */
export function PlaybackPane({ made }: { made: FinishedRun }) {
  const cursorS = useShifting((state) => state.cursorS);
  const { train, scenario, run } = made;
  const drawn = useSideView(train);
  const playback = useMemo(() => playbackOf(train, scenario.order, run.traces), [train, scenario, run]);
  const { position } = sampleAt(run.traces, scenario.order, sampleBefore(run.traces, cursorS));
  const engaged = partsById(train).find.position(position)?.engaged;
  const turns = playback.turnsAt(cursorS);
  return (
    <div className="flex flex-col">
      <PlayButtons untilS={run.untilS} />
      {drawn.ok ? (
        <SmallSideView view={drawn.view} train={train} className="h-32 w-full px-2" closed={new Set(engaged ?? [])}>
          {engaged && (
            <PowerFlowLines view={drawn.view} train={train} engaged={engaged} losses={scenario.losses ?? false} />
          )}
          <TurnMarks view={drawn.view} turns={turns} />
        </SmallSideView>
      ) : (
        <p className="muted px-4 text-sm">{drawn.why}</p>
      )}
    </div>
  );
}

/** The cursor goes on by itself, as fast as the run or slower. */
function PlayButtons({ untilS }: { untilS: number }) {
  const { store } = useShiftingItself();
  const [playing, setPlaying] = useState(false);
  const [rate, setRate] = useState<(typeof RATES)[number]>('1');
  const last = useRef<number | null>(null);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const next = (now: number) => {
      const { cursorS, lookAt } = store.getState();
      const to = cursorS + (Number(rate) * (now - (last.current ?? now))) / 1000;
      last.current = now;
      lookAt(Math.min(untilS, to));
      if (to >= untilS) setPlaying(false);
      else frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => {
      cancelAnimationFrame(frame);
      last.current = null;
    };
  }, [playing, rate, untilS, store]);
  const press = () => {
    const { cursorS, lookAt } = store.getState();
    if (!playing && cursorS >= untilS - 1e-6) lookAt(0);
    setPlaying(!playing);
  };
  return (
    <div className="flex items-center gap-2 px-4 pt-1 text-sm">
      <button type="button" className="btn btn-xs" onClick={press}>
        {playing ? <Pause className="size-3.5" aria-hidden /> : <Play className="size-3.5" aria-hidden />}
        {playing ? 'Pause' : 'Play the run'}
      </button>
      <label className="flex items-center gap-1">
        <span className="muted">at</span>
        <select
          className="select select-xs w-18"
          value={rate}
          onChange={(event) => setRate(event.target.value as typeof rate)}
        >
          {RATES.map((one) => (
            <option key={one} value={one}>
              {one} ×
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
