import { useMemo, useState } from 'react';
import { faultWords, placeToLookAt, readSeen } from '@/core/faults';
import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { couplerName, listed } from '@/core/words';
import { refusalText } from '@/core/result';
import { engage } from '@/features/train/choosing';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { useSettled } from '@/ui/settled';
import type { Diagnosis, TestWords } from '@/workers/beside';
import { useJob, type RunningJob } from '@/workers/use-job';
import type { Look, Sight } from '../store';
import { useJudgement, useLog } from '../use-log';
import { Looked } from './looked';
import { seenOf, sightsOf } from './seen-of';
import { partsById } from '@/core/train';
import { required } from '@/core/required';
import { InWords } from '@/ui/part-words';

const LOOKS: Record<Look | '', string> = {
  '': 'not tried',
  ok: 'as computed',
  neutral: 'neutral: slips away',
  locked: 'locked',
  ratio: 'another ratio',
};

/** Which part is bad: each position as it was seen, the suspects by what they explain, and the test that tells most. */
export function FaultFinder() {
  const train = useTrain((state) => state.train);
  const sights = useLog((state) => state.sights);
  const tried = useLog((state) => state.tried);
  const set = useLog((state) => state.set);
  const seen = useSettled(useMemo(() => seenOf(sights, tried), [sights, tried]));
  const { state } = useJob('diagnose', { train, seen }, [train, seen]);
  const found = useFoundLast(state);
  const message = state.kind === 'failed' ? state.message : null;
  const mark = (id: string, look: Look | '', bounds?: Partial<Sight>) => {
    const { [id]: before, ...rest } = sights;
    set({ sights: look === '' ? rest : { ...rest, [id]: { least: '', most: '', ...before, ...bounds, look } } });
  };
  const any = Object.keys(sights).length + tried.length > 0;
  return (
    <div className="flex flex-col gap-2">
      <p className="muted">
        Mark each position as it was seen. Every suspect is solved like any other train and held against that.
      </p>
      <FromReadings />
      <ul aria-label="How positions were seen" className="flex flex-col gap-0.5">
        {train.positions.map(({ id, name }) => (
          <li key={id} className="flex flex-wrap items-center gap-2">
            <span className="w-12 truncate font-semibold">{name || id}</span>
            <SightChoice
              label={`${name || id} was seen`}
              sight={sights[id]}
              onChange={(look, bounds) => mark(id, look, bounds)}
            />
          </li>
        ))}
      </ul>
      {tried.map(({ engaged, sight }, i) => (
        <div key={i} className="flex flex-wrap items-center gap-2">
          <span className="truncate" title="tried besides the positions">
            {namesOf(train, engaged)}
          </span>
          <SightChoice
            label={`${namesOf(train, engaged)} was seen`}
            sight={sight}
            onChange={(look, bounds) =>
              set({
                tried:
                  look === ''
                    ? tried.filter((_, k) => k !== i)
                    : tried.map((one, k) => (k === i ? { engaged, sight: { ...one.sight, ...bounds, look } } : one)),
              })
            }
          />
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <OpenSeen />
        {any && (
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => set({ sights: {}, tried: [] })}>
            Begin anew
          </button>
        )}
        {any && (
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            title="What was seen as a file, which the command line’s diagnose takes"
            onClick={() =>
              saveFile(
                fileName(`${train.name} seen`, '.seen.json'),
                'application/json',
                `${JSON.stringify(seen, null, 1)}\n`,
              )
            }
          >
            Save as a file
          </button>
        )}
      </div>
      {message && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
      {any && found && <Suspects found={found} />}
      {any && found?.nextTest && <NextTest test={found.nextTest} open={found.open} />}
      {any && found && <End found={found} />}
      <p className="muted text-xs">
        It finds a part of the train only; electronic or hydraulic control is beyond it. Opening a box is for those who
        know its springs and pressures.
      </p>
    </div>
  );
}

/** What was seen as a file, opened again; what is wrong with it is said. */
function OpenSeen() {
  const train = useTrain((state) => state.train);
  const set = useLog((state) => state.set);
  const [wrong, setWrong] = useState<string | null>(null);
  const open = async (file: File) => {
    const read = readSeen(await file.text(), train);
    setWrong(read.ok ? null : `${file.name}: ${refusalText(read)}`);
    if (read.ok) set(sightsOf(read.value));
  };
  return (
    <>
      <OpenFile word="Open a file" accept=".json,application/json" onOpen={(file) => void open(file)} />
      {wrong && (
        <p role="alert" className="basis-full text-error">
          {wrong}
        </p>
      )}
    </>
  );
}

/** Where no test tells the suspects apart any more: what to look at when the box is open. */
function End({ found: { suspects, open, nextTest, sound, part } }: { found: Diagnosis }) {
  const train = useTrain((state) => state.train);
  if (sound || open === 0 || nextTest || part < 1) return null;
  const places = [
    ...new Set(suspects.slice(0, open).flatMap(({ faults }) => faults.map((one) => placeToLookAt(train, one)))),
  ];
  return (
    <section aria-label="The end" className="border-l-3 border-base-content pl-2">
      <h3 className="font-semibold">
        {open === 1 ? 'One suspect is left' : `Nothing from outside tells these ${open} apart`}
      </h3>
      <p>Open the box and look at {listed(places)}.</p>
    </section>
  );
}

/** What was found stands until something else is; meanwhile it says how far the next is. */
function useFoundLast(state: RunningJob<'diagnose'>['state']): Diagnosis | null {
  const [last, setLast] = useState<Diagnosis | null>(null);
  if (state.kind === 'done' && state.value !== last) setLast(state.value);
  return state.kind === 'running' && state.partial !== null ? last && { ...last, part: state.partial } : last;
}

const namesOf = (train: Parameters<typeof couplerName>[0], engaged: readonly string[]): string =>
  engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing engaged';

interface SightProps {
  readonly label: string;
  readonly sight: Sight | undefined;
  readonly onChange: (look: Look | '', bounds?: Partial<Sight>) => void;
}

function SightChoice({ label, sight, onChange }: SightProps) {
  return (
    <>
      <select
        className="select select-xs w-36"
        aria-label={label}
        value={sight?.look ?? ''}
        onChange={(event) => onChange(event.target.value as Look | '')}
      >
        {(Object.keys(LOOKS) as (Look | '')[]).map((look) => (
          <option key={look} value={look}>
            {LOOKS[look]}
          </option>
        ))}
      </select>
      {sight?.look === 'ratio' && (
        <span className="flex items-center gap-1">
          {(['least', 'most'] as const).map((end) => (
            <input
              key={end}
              className="input input-xs figure w-16"
              aria-label={`${label}, ${end} ratio in/out`}
              placeholder={end}
              value={sight[end]}
              onChange={(event) => onChange('ratio', { [end]: event.target.value })}
            />
          ))}
        </span>
      )}
    </>
  );
}

/** Takes over what readings of ratios already say: agrees as computed, does not as another ratio. */
function FromReadings() {
  const { rows } = useJudgement();
  const sights = useLog((state) => state.sights);
  const set = useLog((state) => state.set);
  const output = useTrain((state) => state.train.outputs[0]);
  const usable = rows.filter(
    ({ judged, reading }) =>
      judged?.quantity === 'ratio' &&
      judged.interval &&
      reading.position !== undefined &&
      'member' in reading &&
      reading.member === output,
  );
  if (usable.length === 0) return null;
  const take = () => {
    const read: Record<string, Sight> = {};
    for (const { reading, judged } of [...usable].reverse()) {
      const { least, most } = required(required(judged).interval);
      const text = (value: typeof least) => String(Number(toNumber(value).toPrecision(8)));
      read[required(reading.position)] =
        required(judged).verdict === 'does-not-agree'
          ? { look: 'ratio', least: text(least), most: text(most) }
          : { look: 'ok', least: '', most: '' };
    }
    set({ sights: { ...sights, ...read } });
  };
  return (
    <button type="button" className="btn btn-xs self-start" onClick={take}>
      Fill in from readings
    </button>
  );
}

function Suspects({ found }: { found: Diagnosis }) {
  const train = useTrain((state) => state.train);
  const [all, setAll] = useState(false);
  const [looked, setLooked] = useState<string | null>(null);
  const shown = all ? found.suspects : found.suspects.slice(0, Math.max(6, found.open));
  const keyOf = ({ faults }: Diagnosis['suspects'][number]) => JSON.stringify(faults);
  return (
    <section aria-label="Suspects" className="flex flex-col gap-1">
      <h3 className="font-semibold">
        {found.sound
          ? 'Nothing need be wrong: all is as computed'
          : found.open === 0
            ? 'No single part and no pair explains everything'
            : `${found.open} ${found.open === 1 ? 'suspect explains' : 'suspects explain'} everything`}
      </h3>
      {found.part < 1 && (
        <progress className="progress w-40" value={found.part} max={1} aria-label="How many pairs are behind" />
      )}
      <ol className="flex flex-col gap-0.5">
        {shown.map((suspect) => {
          const { faults, agrees, of, failsOn } = suspect;
          const key = keyOf(suspect);
          return (
            <li key={key}>
              <button
                type="button"
                className={`w-full text-left hover:bg-base-200 ${agrees === of ? 'font-semibold' : 'muted'}`}
                title="Show it on the drawing, and what the train would do"
                aria-expanded={looked === key}
                onClick={() => setLooked(looked === key ? null : key)}
              >
                <InWords train={train} text={faults.map((fault) => faultWords(train, fault)).join(', and ')} />
                <span className="muted font-normal">
                  {' '}
                  · {agrees} of {of}
                  {failsOn !== null && `, not ${failsOn}`}
                </span>
              </button>
              {looked === key && <Looked train={train} faults={faults} />}
            </li>
          );
        })}
      </ol>
      {found.suspects.length > shown.length && (
        <button type="button" className="btn btn-ghost btn-xs self-start" onClick={() => setAll(true)}>
          {found.suspects.length - shown.length} more, which explain less
        </button>
      )}
    </section>
  );
}

/** What to try next, what each outcome would mean, and a press that tells what came of it. */
function NextTest({ test, open }: { test: TestWords; open: number }) {
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const sights = useLog((state) => state.sights);
  const tried = useLog((state) => state.tried);
  const set = useLog((state) => state.set);
  const name =
    test.position === null
      ? namesOf(train, test.engaged)
      : `position ${partsById(train).find.position(test.position)?.name || test.position}`;
  const saw = (outcome: TestWords['outcomes'][number]) => {
    const size = outcome.ratio === null ? null : Math.abs(outcome.ratio);
    const text = (value: number) => String(Number(value.toPrecision(8)));
    const sight: Sight =
      size === null
        ? { look: outcome.status === 'locked' ? 'locked' : 'neutral', least: '', most: '' }
        : { look: 'ratio', least: text(size * 0.999), most: text(size * 1.001) };
    if (test.position !== null) set({ sights: { ...sights, [test.position]: sight } });
    else set({ tried: [...tried, { engaged: test.engaged, sight }] });
  };
  return (
    <section aria-label="Next test" className="flex flex-col gap-1 border-l-3 border-base-content pl-2">
      <h3 className="font-semibold">Next test: {name}</h3>
      <p className="muted">
        It leaves {figure(test.left)} of {open} on average.{' '}
        <button type="button" className="link" onClick={() => engage(store, test.engaged, test.position)}>
          Engage it here
        </button>
      </p>
      {test.outcomes.some(({ asComputed, status }) => asComputed && status === 'locked') && (
        <p>As it is computed this locks: turn it by hand only, slowly.</p>
      )}
      <ul className="flex flex-col gap-1">
        {test.outcomes.map((outcome, i) => (
          <li key={i} className="flex items-baseline gap-2">
            <button type="button" className="btn btn-xs" onClick={() => saw(outcome)}>
              I saw this
            </button>
            <span>
              {outcome.ratio === null
                ? outcome.status
                : `${figure(Math.abs(outcome.ratio))} : 1${outcome.ratio < 0 ? ', reverse' : ''}`}
              {outcome.asComputed && ', as computed'}:{' '}
              <span className="muted">
                {outcome.suspects} {outcome.suspects === 1 ? 'suspect' : 'suspects'} left
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
