import { useMemo, useState } from 'react';
import { dayAndTimeText } from '@/ui/when';
import { contradictionsOf, judgeFor, plain, slowingWatts, SOUND } from '@/core/measurement';
import { toFraction } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { listed } from '@/core/words';
import { engage } from '@/features/train/choosing';
import { useSession, useTrain, useTrainStore } from '@/features/train/use-train';
import { asKeptAddress, pictureAddress, readRevision } from '@/wire';
import { intervalText, valueText } from '@/features/train/log/figures-text';
import { KINDS } from '../kinds';
import { VERDICTS } from '@/features/train/log/verdict-words';
import type { ReadingRow } from '../rows';
import { scrollIntoPlace } from '../entry/keys';
import { useJudgement, useLog } from '../use-log';
import { partsById } from '@/core/train';
import { required } from '@/core/required';
import { correctionOf, draftOf } from '../correction';

/** One reading: its arithmetic, what it proves, what would explain it, and what it was before it was corrected. */
export function ReadingDetail() {
  const { rows } = useJudgement();
  const chosen = useLog((state) => state.chosen);
  const row = rows.find(({ id }) => id === chosen) ?? rows[0];
  if (!row) return <p className="muted">A reading that is chosen shows here what it proves.</p>;
  return <Detail key={row.id} row={row} />;
}

function Detail({ row }: { row: ReadingRow }) {
  const { reading, judged, refused, was } = row;
  const set = useLog((state) => state.set);
  const draft = useLog((state) => state.draft);
  const session = useSession();
  const correct = () =>
    scrollIntoPlace(() => set({ correcting: correctionOf(row.id, reading), draft: draftOf(reading, draft) }));
  return (
    <div className="flex flex-col gap-2">
      <h3 className="font-semibold">
        {KINDS[reading.kind].name}
        {reading.simulated && <span className="muted"> · simulated</span>}
      </h3>
      {refused !== null && (
        <p className="border-l-3 border-error pl-2">
          It does not fit this train as it is computed: {refused.replace(/^\w+: /, '')}
        </p>
      )}
      {reading.asRead && (
        <p>
          <span className="muted">Read as</span> {listed(Object.values(reading.asRead))}.
        </p>
      )}
      {judged && (
        <p>
          <span className="muted">{judged.line}</span>
          {judged.interval && (
            <>
              <br />= <span className="figure font-semibold">{intervalText(judged)}</span>
            </>
          )}
        </p>
      )}
      {judged && <Proof row={row} />}
      <Contradictions row={row} />
      {reading.kind === 'tip' && judged?.interval && (
        <TipWords
          least={plain(judged.interval).least}
          value={plain(judged.interval).value}
          most={plain(judged.interval).most}
        />
      )}
      {reading.kind === 'slowing' && judged?.interval && (
        <p>
          {reading.loaded === true ? 'Power into the loaded gearbox, load and drag together' : 'Gearbox drag'}:{' '}
          <span className="figure">{figure(plain(slowingWatts(reading)).value)} W</span> (
          {figure(plain(slowingWatts(reading)).least)} to {figure(plain(slowingWatts(reading)).most)} W).
        </p>
      )}
      {reading.instrument && (
        <p>
          <span className="muted">Read with</span> {reading.instrument}.
        </p>
      )}
      {reading.note && <p>{reading.note}</p>}
      {reading.picture !== undefined && <Picture key={reading.picture} train={session.id} picture={reading.picture} />}
      <Then row={row} />
      {was.length > 0 && (
        <section aria-label="What it was before">
          <h4 className="font-semibold">Before it was corrected</h4>
          <ul className="list-disc pl-4">
            {was.map(({ reading: before, why }) => (
              <li key={before.id}>
                <s>{lineOf(before)}</s> <span className="muted">{why}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div>
        <button type="button" className="btn btn-sm" onClick={correct}>
          Correct it…
        </button>
      </div>
    </div>
  );
}

/** Other readings of the same thing that this one cannot be true together with. */
function Contradictions({ row }: { row: ReadingRow }) {
  const { rows } = useJudgement();
  const set = useLog((state) => state.set);
  const against = useMemo(() => {
    if (!row.judged) return [];
    const { position } = row.reading;
    const alike = rows.filter(({ reading }) => reading.position === position);
    return contradictionsOf(
      row.judged,
      alike.flatMap(({ judged }) => (judged ? [judged] : [])),
    );
  }, [rows, row]);
  if (against.length === 0) return null;
  return (
    <section aria-label="What contradicts it" className="border-l-3 border-error pl-2">
      <p>It contradicts {against.length === 1 ? 'another reading' : `${against.length} other readings`} of the same:</p>
      <ul>
        {rows
          .filter(({ id }) => against.includes(id))
          .map(({ id, judged, reading }) => (
            <li key={id}>
              <button type="button" className="link" onClick={() => set({ chosen: id })}>
                {judged ? intervalText(judged) : KINDS[reading.kind].name}
              </button>{' '}
              <span className="muted">{dayAndTimeText(reading.at ?? '')}</span>
            </li>
          ))}
      </ul>
      <p className="muted">One of them is wrong: read again, and correct it.</p>
    </section>
  );
}

const lineOf = (reading: ReadingRow['reading']): string =>
  Object.entries(reading)
    .filter(([key, value]) => typeof value === 'number' && key !== 'revision')
    .map(([key, value]) => `${key} ${value}`)
    .join(', ') || KINDS[reading.kind].name;

/** What readings that have one resolution are told in. */
const RESOLUTION_UNIT: Partial<Record<ReadingRow['reading']['kind'], string>> = {
  marks: 'marks',
  turns: 'turns',
  frames: 'frames',
  angle: '°',
  tachometer: 'rpm',
};

/** What a verdict rests on, and what would explain a bad one. */
function Proof({ row: { judged } }: { row: ReadingRow }) {
  const { judge } = useJudgement();
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  if (!judged) return null;
  const { verdict, computed, others, turnsToTell, efficiency, outputRpm } = judged;
  const names = others.map((id) => partsById(train).find.position(id)?.name || id);
  const explanations = verdict === 'does-not-agree' ? judge.explain(judged) : [];
  const coarser = verdict === 'does-not-agree' ? judge.resolutionToAgree(judged) : null;
  return (
    <section aria-label="The proof" className="flex flex-col gap-1">
      {computed && (
        <p>
          Computed:{' '}
          <span className="figure" title={toFraction(computed)}>
            {valueText(judged, computed)}
          </span>
          .
        </p>
      )}
      {verdict === 'agrees' && (
        <p className="border-l-3 border-base-content pl-2">It agrees, and no other position would.</p>
      )}
      {verdict === 'cannot-tell' && (
        <p className="border-l-3 border-warning pl-2">
          It agrees, but so would {listed(names)}.{' '}
          {turnsToTell === null
            ? 'Counting more turns tells nothing between them.'
            : `${turnsToTell} turns of the input would tell them apart.`}
        </p>
      )}
      {verdict === 'does-not-agree' && (
        <>
          <p className="border-l-3 border-error pl-2">
            It does not agree{by(judged)}.
            {coarser !== null &&
              ` It would agree if you told only to ±${figure(coarser)} ${RESOLUTION_UNIT[judged.reading.kind]}.`}
          </p>
          {explanations.length === 0 && (
            <p>
              No other position, no single other element and no usual slip would explain it. Free parts are dragged
              along without load: put a load on the output.
            </p>
          )}
          {explanations.length > 0 && (
            <ul aria-label="What would explain it" className="list-disc pl-4">
              {explanations.slice(0, 12).map(({ says, engaged }) => (
                <li key={says}>
                  {says}
                  {engaged && (
                    <>
                      {' '}
                      <button type="button" className="link" onClick={() => engage(store, engaged)}>
                        engage that
                      </button>
                    </>
                  )}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      {efficiency && (
        <p>
          Of the ideal torque <span className="figure">{figure(plain(efficiency).value * 100)} %</span> comes through (
          {figure(plain(efficiency).least * 100)} to {figure(plain(efficiency).most * 100)} %).
        </p>
      )}
      {outputRpm && (
        <p>
          Of the input: the output then turns at <span className="figure">{figure(plain(outputRpm).value)} rpm</span> (
          {figure(plain(outputRpm).least)} to {figure(plain(outputRpm).most)}).
        </p>
      )}
    </section>
  );
}

function by({ interval, computed }: NonNullable<ReadingRow['judged']>): string {
  if (!interval || !computed) return '';
  const { least, most } = plain(interval);
  const value = Number(computed.n) / Number(computed.d);
  const off = value < least ? least / value - 1 : 1 - most / value;
  return `: ${figure(off * 100)} % outside`;
}

const TipWords = ({ least, value, most }: { least: number; value: number; most: number }) => (
  <p>
    {[
      [1, 'm/s'],
      [3.6, 'km/h'],
      [60 / 0.3048, 'ft/min'],
    ]
      .map(([by, unit]) => `${figure(value * Number(by))} ${unit}`)
      .join(' = ')}
    ; {figure((value / SOUND) * 100)} % of the speed of sound ({figure((least / SOUND) * 100)} to{' '}
    {figure((most / SOUND) * 100)} %).
  </p>
);

/** A reading of an earlier state of the train, judged against that state at a press. */
function Then({ row: { reading } }: { row: ReadingRow }) {
  const session = useSession();
  const version = useTrain((state) => state.version);
  const [then, setThen] = useState<Train | string | null>(null);
  if (reading.revision === undefined || reading.revision === version) return null;
  const look = async () => {
    const answer = await readRevision(session.id, required(reading.revision));
    setThen(answer.ok ? answer.value.train : answer.message);
  };
  if (then === null)
    return (
      <p className="muted">
        Read when the train was in its {reading.revision}. state; now it is in its {version}.{' '}
        <button type="button" className="link" onClick={() => void look()}>
          Judge it as the train was then
        </button>
      </p>
    );
  return (
    <p className="border-l-3 border-base-content pl-2">{typeof then === 'string' ? then : thenText(then, reading)}</p>
  );
}

function thenText(train: Train, reading: ReadingRow['reading']): string {
  try {
    const judged = judgeFor(train).judge(reading);
    return (
      'As the train was then: computed ' +
      (judged.computed ? valueText(judged, judged.computed) : 'nothing to compare') +
      (judged.verdict === 'no-verdict' ? '.' : `, ${VERDICTS[judged.verdict]}.`)
    );
  } catch (error) {
    return error instanceof Error ? `As the train was then: ${error.message}` : '';
  }
}

/** The picture of a reading, or, where it does not read, the way to what there is of it. */
function Picture({ train, picture }: { train: string; picture: string }) {
  const [damaged, setDamaged] = useState(false);
  if (damaged)
    return (
      <p className="text-error">
        The picture of this reading cannot be read.{' '}
        <a className="link" href={asKeptAddress('pictures', train, picture)} download>
          Save it as it is
        </a>
      </p>
    );
  return (
    // A picture of the bench, of whatever size: the optimiser of the framework would keep copies of it.
    // eslint-disable-next-line @next/next/no-img-element
    <img
      src={pictureAddress(train, picture)}
      alt="Picture of this reading"
      className="max-h-60 self-start border border-base-300"
      onError={() => setDamaged(true)}
    />
  );
}
