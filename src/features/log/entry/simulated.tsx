import { readFigure } from '@/core/units';
import { useMemo, useState } from 'react';
import { simulatedBench, type Instrument, type Trick } from '@/core/simulated-bench';
import { engagementIn } from '@/features/train/engagement';
import { useSession, useTrain } from '@/features/train/use-train';
import { useLog, useLogItself } from '../use-log';
import { partsById } from '@/core/train';

const INSTRUMENTS: Record<Instrument, string> = {
  marks: 'mark counter',
  tachometer: 'tachometer',
  scale: 'scale on an arm',
  frames: 'film',
};
const TRICKS: Record<Trick, string> = { nothing: 'nothing', swapped: 'two couplers swapped', fault: 'one part bad' };

/**
 * A stand-in for instruments: it reads the train as it really is, with hidden losses, errors and perhaps a fault;
 * marked as simulated for ever.
 */
export function Simulated() {
  const train = useTrain((state) => state.train);
  const { positionId } = useTrain(engagementIn);
  const [seed, setSeed] = useState('1');
  const [trick, setTrick] = useState<Trick>('nothing');
  const [instrument, setInstrument] = useState<Instrument>('marks');
  const [inputTurns, setInputTurns] = useState('4');
  const [shown, setShown] = useState(false);
  const { told, take } = useBenchReadings();
  const number = readFigure(seed);
  // The same bench until what it stands on changes: its readings follow each other.
  const bench = useMemo(
    () => simulatedBench(train, Number.isFinite(number) ? number : 1, trick),
    [train, number, trick],
  );
  return (
    <details className="border-t border-base-300 px-4 py-2">
      <summary className="cursor-pointer font-semibold">Simulated bench</summary>
      <div className="flex flex-col gap-1 pt-1">
        <p className="muted">
          To practise: instruments on the train as it really is, with losses, errors of reading and perhaps a fault that
          you are not told.
        </p>
        <label className="flex items-center justify-between gap-2">
          <span className="muted">Seed</span>
          <input
            className="input input-xs figure w-20"
            inputMode="numeric"
            value={seed}
            onChange={(event) => setSeed(event.target.value)}
          />
        </label>
        <label className="flex items-center justify-between gap-2">
          <span className="muted">Wrong with it</span>
          <select
            className="select select-xs w-40"
            value={trick}
            onChange={(event) => {
              setTrick(event.target.value as Trick);
              setShown(false);
            }}
          >
            {(Object.keys(TRICKS) as Trick[]).map((one) => (
              <option key={one} value={one}>
                {TRICKS[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center justify-between gap-2">
          <span className="muted">Instrument</span>
          <select
            className="select select-xs w-40"
            value={instrument}
            onChange={(event) => setInstrument(event.target.value as Instrument)}
          >
            {(Object.keys(INSTRUMENTS) as Instrument[]).map((one) => (
              <option key={one} value={one}>
                {INSTRUMENTS[one]}
              </option>
            ))}
          </select>
        </label>
        {instrument === 'marks' && (
          <label className="flex items-center justify-between gap-2">
            <span className="muted">Turns of the input</span>
            <input
              className="input input-xs figure w-20"
              value={inputTurns}
              onChange={(event) => setInputTurns(event.target.value)}
            />
          </label>
        )}
        <div className="flex flex-wrap gap-1">
          <button
            type="button"
            className="btn btn-xs"
            disabled={positionId === null}
            onClick={() => positionId !== null && void take(bench, [positionId], { instrument, inputTurns })}
          >
            Read this position
          </button>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() =>
              void take(
                bench,
                train.positions.map(({ id }) => id),
                { instrument, inputTurns },
              )
            }
          >
            Read every position
          </button>
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => setShown(!shown)}>
            {shown ? 'Hide' : 'What was wrong?'}
          </button>
        </div>
        {shown && <p>{bench.secret.says}</p>}
        {told && <p role="status">{told}</p>}
      </div>
    </details>
  );
}

/** Takes readings of a simulated bench, one in each position, and logs them; says how many, and what gave none. */
function useBenchReadings() {
  const train = useTrain((state) => state.train);
  const session = useSession();
  const { log } = useLogItself();
  const draft = useLog((state) => state.draft);
  const run = useLog((state) => state.run);
  const set = useLog((state) => state.set);
  const [told, setTold] = useState<string | null>(null);
  const take = async (
    bench: ReturnType<typeof simulatedBench>,
    positions: readonly string[],
    { instrument, inputTurns }: { readonly instrument: Instrument; readonly inputTurns: string },
  ) => {
    const said: string[] = [];
    const entries = positions.flatMap((position) => {
      const id = crypto.randomUUID();
      const got = bench.read(instrument, {
        id,
        position,
        member: draft.member,
        inputTurns: Math.max(1, readFigure(inputTurns) || 1),
        inputRpm: 600,
        inputTorqueNm: 1,
      });
      if (!got.ok) {
        said.push(`${partsById(train).find.position(position)?.name ?? position}: ${got.seen}`);
        return [];
      }
      const { version } = session.store.getState();
      const document = {
        ...got.reading,
        at: new Date().toISOString(),
        revision: version,
        ...(run !== null && { run }),
      };
      return [{ id, kind: 'reading' as const, document }];
    });
    const answer = entries.length > 0 ? await log.add(entries) : { ok: true as const, value: {} };
    setTold(answer.ok ? [`${entries.length} logged.`, ...said].join(' ') : answer.message);
    const last = entries.at(-1);
    if (answer.ok && last) set({ chosen: last.id, side: 'reading' });
  };
  return { told, take };
}
