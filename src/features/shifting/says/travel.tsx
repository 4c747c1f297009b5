import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  interlocksOf,
  jamsOf,
  slidingSpans,
  travelOf,
  type Jam,
  type Places,
  type Selector,
  type TravelStretch,
} from '@/core/shifting';
import { lookUp } from '@/core/required';
import { addSelector, putOnSelector, type Train } from '@/core/train';
import { readFigure } from '@/core/units';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { TextInput } from '@/ui/form/inputs';
import { InWords } from '@/ui/part-words';
import { Interlocks, PlaceChoice, withPlace } from './places';
import { CouplerHandle, Sleeve, useSleeveEdit } from './sleeve';
import { Stretches } from './stretches';
import { TravelBar } from './travel-bar';

/**
 * What each sleeve or drum does along its travel: solved, stretch by stretch; where it jams, what would fix it; and
 * which coupler is on which.
 */
export function Travel() {
  const train = useTrain((state) => state.train);
  const edit = useSleeveEdit();
  const selectors = train.selectors ?? NONE;
  const [places, setPlaces] = useState<Places>(new Map());
  const travel = useMemo(() => travelOf(train, train.selectors, places), [train, places]);
  const alone = useMemo(() => travelOf(train), [train]);
  const interlocks = useMemo(() => interlocksOf(train), [train]);
  const sensors = useSensors(useSensor(PointerSensor, DRAGGED), useSensor(KeyboardSensor));
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) edit(putOnSelector(train, String(active.id), over.id === NOTHING ? null : String(over.id)));
  };
  return (
    <DndContext id="sleeves" sensors={sensors} onDragEnd={dropped}>
      <div className="flex flex-col gap-3">
        {selectors.length === 0 && <NoSelectors train={train} />}
        {selectors.map((selector) => (
          <div key={selector.id} className="flex flex-col gap-1 border-b border-base-300 pb-2">
            <Sleeve train={train} selector={selector} stretches={travel.get(selector.id) ?? NO_STRETCHES} />
            {selectors.length > 1 && selector.spans.length > 0 && (
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
        <Unworked train={train} />
        <div className="flex gap-2">
          {(['sleeve', 'drum'] as const).map((what) => (
            <button key={what} type="button" className="btn btn-xs" onClick={() => edit(addSelector(train, what))}>
              <Plus className="size-3.5" aria-hidden /> Add a {what}
            </button>
          ))}
        </div>
        {interlocks.length > 0 && <Interlocks train={train} interlocks={interlocks} />}
        {selectors.length > 0 && <Jams train={train} travel={alone} />}
        {hasSliding(train) && <SlidingWheels train={train} />}
      </div>
    </DndContext>
  );
}

const NONE: readonly Selector[] = [];
const NO_STRETCHES: readonly TravelStretch[] = [];
/** A press is a press until it has moved so far. */
const DRAGGED = { activationConstraint: { distance: 4 } };
const NOTHING = 'nothing works it';

/** Couplers that no sleeve works; one that is dropped here comes off its own. */
function Unworked({ train }: { train: Train }) {
  const { setNodeRef } = useDroppable({ id: NOTHING });
  const worked = new Set((train.selectors ?? []).flatMap(({ spans }) => spans.map(({ coupler }) => coupler)));
  const left = train.couplers.filter(
    (coupler) => !worked.has(coupler.id) && (coupler.type !== 'one-way' || coupler.control === 'selectable'),
  );
  if ((train.selectors ?? []).length === 0) return null;
  return (
    <section ref={setNodeRef} aria-label="On no sleeve" className="min-h-8">
      <h3 className="font-semibold">On no sleeve</h3>
      <ul className="flex flex-col gap-0.5">
        {left.map(({ id }) => (
          <li key={id} className="flex">
            <CouplerHandle train={train} coupler={id} on={null} />
          </li>
        ))}
      </ul>
      {left.length === 0 && <p className="muted">Every coupler is on one.</p>}
    </section>
  );
}

/** Puts a selector in the place of the one of its name, or behind the others. */
function useLay(train: Train): (selector: Selector, notice: string) => void {
  const store = useTrainStore();
  return (selector, notice) => {
    const selectors = train.selectors ?? NONE;
    const there = selectors.some(({ id }) => id === selector.id);
    const laid = there ? selectors.map((one) => (one.id === selector.id ? selector : one)) : [...selectors, selector];
    editTrain(store, { ...train, selectors: laid }, { notice });
  };
}

/** Where selectors jam, and what would fix it. */
function Jams({ train, travel }: { train: Train; travel: ReadonlyMap<string, readonly TravelStretch[]> }) {
  const lay = useLay(train);
  const [gap, setGap] = useState('1');
  const gapMm = readFigure(gap, 'mm');
  const jams = useMemo((): readonly Jam[] => (gapMm >= 0 ? jamsOf(train, travel, gapMm) : []), [train, travel, gapMm]);
  const wanted = (
    <TextInput
      label="Neutral wanted between two"
      unit="mm"
      value={gap}
      message={gapMm >= 0 ? null : 'A length of 0 or more.'}
      onChange={setGap}
    />
  );
  if (jams.length === 0)
    return (
      <>
        <p>No sleeve engages two together that lock it.</p>
        {gapMm >= 0 ? null : wanted}
      </>
    );
  return (
    <section aria-label="Where it jams" className="flex flex-col gap-1">
      {jams.map((jam) => (
        <div key={`${jam.selector} ${jam.fromMm}`} className="border-l-3 border-error pl-2">
          <p>
            <InWords train={train} text={jam.says} />
          </p>
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
      {wanted}
    </section>
  );
}

/** Wheels that slide into mesh: spans by their face widths and stations. */
function SlidingWheels({ train }: { train: Train }) {
  const lay = useLay(train);
  const [station, setStation] = useState('20');
  const stationMm = readFigure(station, 'mm');
  const sliding = useMemo(() => (stationMm > 0 ? slidingSpans(train, stationMm) : NONE), [train, stationMm]);
  return (
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
          Give the wheels of its sliding meshes face widths and stations (on the Bench), and they have spans: in mesh
          while the faces overlap.
        </p>
      )}
      {sliding.map((selector) => {
        const stretches = lookUp(travelOf(train, [selector]), selector.id);
        return (
          <section key={selector.id} aria-label={`Travel of ${selector.name || selector.id}`}>
            <h4 className="font-semibold">{selector.name || selector.id}</h4>
            <TravelBar train={train} selector={selector} stretches={stretches} />
            <Stretches train={train} selector={selector} stretches={stretches} />
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => lay(selector, `${selector.name} has its spans. Undo takes it back.`)}
            >
              Use these spans
            </button>
          </section>
        );
      })}
    </section>
  );
}

const hasSliding = (train: Train): boolean => train.couplers.some(({ type }) => type === 'sliding-mesh');

/** Couplers that could be put on a sleeve, laid one after another, to begin with. */
function NoSelectors({ train }: { train: Train }) {
  const edit = useSleeveEdit();
  const couplers = train.couplers.filter(({ type }) => type === 'clutch' || type === 'brake');
  const make = () => {
    const sleeve = addSelector(train, 'sleeve');
    const id = sleeve.ok ? (sleeve.train.selectors?.at(-1)?.id ?? null) : null;
    edit(
      couplers.reduce((so, coupler) => (so.ok ? putOnSelector(so.train, coupler.id, id) : so), sleeve),
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
