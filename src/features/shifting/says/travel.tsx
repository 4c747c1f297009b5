import { useMemo, useState } from 'react';
import {
  interlocksOf,
  jamsOf,
  slidingSpans,
  travelOf,
  type Interlock,
  type Places,
  type Selector,
  type TravelStretch,
} from '@/core/shifting';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { figure, readFigure } from '@/core/units';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { TextInput } from '@/ui/form/inputs';
import { TravelBar } from './travel-bar';
import { lookUp } from '@/core/required';

/**
 * What each sleeve or drum does along its travel: solved, stretch by stretch; and where it jams, what would mend it.
 */
export function Travel() {
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const [gap, setGap] = useState('1');
  const [station, setStation] = useState('20');
  const gapMm = readFigure(gap, 'mm');
  const stationMm = readFigure(station, 'mm');
  const selectors = train.selectors ?? NONE;
  const [places, setPlaces] = useState<Places>(new Map());
  const travel = useMemo(() => travelOf(train, train.selectors, places), [train, places]);
  const alone = useMemo(() => travelOf(train), [train]);
  const interlocks = useMemo(() => interlocksOf(train), [train]);
  const jams = useMemo(() => (gapMm >= 0 ? jamsOf(train, alone, gapMm) : []), [train, alone, gapMm]);
  const sliding = useMemo(() => (stationMm > 0 ? slidingSpans(train, stationMm) : NONE), [train, stationMm]);
  const lay = (selector: Selector, notice: string) =>
    editTrain(
      store,
      {
        ...train,
        selectors: [...selectors.filter(({ id }) => id !== selector.id), selector].sort(
          (a, b) => placeOf(selectors, a) - placeOf(selectors, b),
        ),
      },
      { notice },
    );
  if (selectors.length === 0 && !hasSliding(train)) return <NoSelectors train={train} />;
  return (
    <div className="flex flex-col gap-3">
      {selectors.map((selector) => (
        <div key={selector.id} className="flex flex-col gap-1">
          <SelectorTravel train={train} selector={selector} stretches={travel.get(selector.id) ?? NO_STRETCHES} />
          {selectors.length > 1 && (
            <PlaceChoice
              train={train}
              selector={selector}
              stretches={alone.get(selector.id) ?? NO_STRETCHES}
              mm={places.get(selector.id)}
              onChoose={(mm) => setPlaces(withPlace(places, selector.id, mm))}
            />
          )}
        </div>
      ))}
      {interlocks.length > 0 && <Interlocks train={train} interlocks={interlocks} />}
      {jams.length > 0 && (
        <section aria-label="Where it jams" className="flex flex-col gap-1">
          {jams.map((jam) => (
            <div key={`${jam.selector} ${jam.fromMm}`} className="border-l-3 border-error pl-2">
              <p>{jam.says}</p>
              <ul className="flex flex-col gap-1">
                {jam.mends.map(({ says, selector }) => (
                  <li key={says} className="flex items-baseline gap-2">
                    <button
                      type="button"
                      className="btn btn-xs"
                      aria-label={`Do it: ${says}`}
                      onClick={() => lay(selector, `${says} Undo takes it back.`)}
                    >
                      Do it
                    </button>
                    {says}
                  </li>
                ))}
              </ul>
              {jam.mends.length === 0 && <p>Give each its own stretch of the travel.</p>}
            </div>
          ))}
          <TextInput
            label="Neutral wanted between two"
            unit="mm"
            value={gap}
            message={gapMm >= 0 ? null : 'A length of 0 or more.'}
            onChange={setGap}
          />
        </section>
      )}
      {selectors.length > 0 && jams.length === 0 && <p>No sleeve engages two together that lock it.</p>}
      {hasSliding(train) && (
        <section aria-label="Sliding wheels" className="flex flex-col gap-1">
          <h3 className="font-semibold">Sliding wheels</h3>
          <TextInput
            label="From one station to the next"
            unit="mm"
            value={station}
            message={stationMm > 0 ? null : 'A length above 0.'}
            onChange={setStation}
          />
          {sliding.length === 0 && (
            <p className="muted">
              Give the wheels of its sliding meshes face widths and stations (on the Bench), and they have spans: in
              mesh while the faces overlap.
            </p>
          )}
          {sliding.map((selector) => (
            <div key={selector.id}>
              <SelectorTravel
                train={train}
                selector={selector}
                stretches={lookUp(travelOf(train, [selector]), selector.id)}
              />
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => lay(selector, `${selector.name} has its spans. Undo takes it back.`)}
              >
                Use these spans
              </button>
            </div>
          ))}
        </section>
      )}
    </div>
  );
}

const NONE: readonly Selector[] = [];
const NO_STRETCHES: readonly TravelStretch[] = [];

function withPlace(places: Places, selector: string, mm: number | null): Places {
  const next = new Map(places);
  if (mm === null) next.delete(selector);
  else next.set(selector, mm);
  return next;
}

interface PlaceChoiceProps extends SelectorTravelProps {
  readonly mm: number | undefined;
  readonly onChoose: (mm: number | null) => void;
}

/** Where this selector stands while the others are moved. */
function PlaceChoice({ train, selector, stretches, mm, onChoose }: PlaceChoiceProps) {
  const name = selector.name || selector.id;
  return (
    <label className="flex items-baseline gap-2 text-sm">
      While others move, {name} stands at
      <select
        className="select select-xs w-auto"
        aria-label={`Place of ${name}`}
        value={mm ?? ''}
        onChange={({ target }) => onChoose(target.value === '' ? null : Number(target.value))}
      >
        <option value="">no coupler</option>
        {stretches.map(({ fromMm, toMm, engaged }) => (
          <option key={fromMm} value={(fromMm + toMm) / 2}>
            {fromMm} to {toMm} mm: {listed(engaged.map((id) => couplerName(train, id))) || 'no coupler'}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Places of two selectors that lock the train together. */
function Interlocks({ train, interlocks }: { train: Train; interlocks: readonly Interlock[] }) {
  const place = ({ selector, fromMm, toMm, engaged }: Interlock['first']) => {
    const name = train.selectors?.find(({ id }) => id === selector)?.name || selector;
    return `${name} at ${fromMm} to ${toMm} mm (${listed(engaged.map((id) => couplerName(train, id)))})`;
  };
  return (
    <section aria-label="Interlock" className="border-l-3 border-error pl-2">
      <h3 className="font-semibold">Interlock needed</h3>
      <p>
        These places lock the train together; an interlock has to keep one selector out of its place while the other is
        there:
      </p>
      <ul className="list-disc pl-5">
        {interlocks.map(({ first, second }) => (
          <li key={`${first.selector} ${first.fromMm} ${second.selector} ${second.fromMm}`}>
            {place(first)} with {place(second)}
          </li>
        ))}
      </ul>
    </section>
  );
}
const hasSliding = (train: Train): boolean => train.couplers.some(({ type }) => type === 'sliding-mesh');
const placeOf = (selectors: readonly Selector[], { id }: Selector): number => {
  const at = selectors.findIndex((one) => one.id === id);
  return at < 0 ? selectors.length : at;
};

interface SelectorTravelProps {
  readonly train: Train;
  readonly selector: Selector;
  readonly stretches: readonly TravelStretch[];
}

function SelectorTravel({ train, selector, stretches }: SelectorTravelProps) {
  return (
    <section aria-label={`Travel of ${selector.name || selector.id}`}>
      <h3 className="font-semibold">{selector.name || selector.id}</h3>
      <TravelBar train={train} selector={selector} stretches={stretches} />
      <ol className="mt-1">
        {stretches.map((stretch) => (
          <li key={stretch.fromMm} className="flex gap-2">
            <span className="figure muted w-28 shrink-0 text-right">
              {stretch.fromMm} to {stretch.toMm} mm
            </span>
            <span className={stretch.status === 'locked' ? 'font-semibold text-error' : undefined}>
              {stretchWords(train, stretch)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What a stretch gives, as people say it: the position with just this engaged, neutral, or why not. */
function stretchWords(train: Train, { engaged, status, ratio }: TravelStretch): string {
  const same = train.positions.find(
    (position) => position.engaged.length === engaged.length && engaged.every((id) => position.engaged.includes(id)),
  );
  const name = same ? `position ${same.name || same.id}: ` : '';
  const names = engaged.map((id) => couplerName(train, id)).join(' and ');
  if (status === 'locked') return `${engaged.length > 1 ? `${names} engaged: ` : ''}locked`;
  if (ratio) return `${name}${figure(Math.abs(toNumber(ratio)))} : 1 in/out`;
  return engaged.length === 0
    ? `${name}neutral`
    : `${name}${names} engaged, ${status === 'neutral' ? 'still neutral with this alone' : status}`;
}

/** Couplers that could be put on a sleeve, laid one after another, to begin with. */
function NoSelectors({ train }: { train: Train }) {
  const store = useTrainStore();
  const couplers = train.couplers.filter(({ type }) => type === 'clutch' || type === 'brake');
  const make = () => {
    const spans = couplers.map(({ id }, i) => ({ coupler: id, from: i * 8, to: i * 8 + 6 }));
    const selector = { id: 'sleeve', name: 'sleeve', spans };
    editTrain(
      store,
      { ...train, selectors: [selector] },
      { notice: 'A sleeve works the couplers one after another. Undo takes it back.' },
    );
  };
  return (
    <div className="flex flex-col items-start gap-2">
      <p className="muted">
        Here a sleeve or a drum is followed along its travel: which couplers it engages where, what the train does
        there, and where it jams. This train has none.
      </p>
      {couplers.length > 0 && (
        <button type="button" className="btn btn-sm" onClick={make}>
          Put {couplers.length} {couplers.length === 1 ? 'coupler' : 'couplers'} on a sleeve
        </button>
      )}
    </div>
  );
}
