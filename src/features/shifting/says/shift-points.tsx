import { useState } from 'react';
import { leastRatioForShare, noLoadOf, readAs, torqueAt, motorLine, type Band } from '@/core/shifting';
import { figure, readFigure } from '@/core/units';
import { listed } from '@/core/words';
import { DataTable } from '@/ui/data-table';
import type { Setup } from '../setup';
import { useNameOf, useUnits } from '../use-shifting';
import { lookUp } from '@/core/required';

/**
 * When to change between neighbours, in every cue’s own unit; the band that it needs; and how small a step has to be
 * for a share of the power.
 */
export function ShiftPoints({ setup }: { setup: Setup }) {
  const nameOf = useNameOf();
  const { perRpm, perNm, speedUnit, torqueUnit } = useUnits();
  const noLoad = noLoadOf(setup.scenario.motor);
  const line = motorLine(setup.scenario.motor);
  const number = (value: number | null) => (value === null ? '—' : figure(value));
  const detector = setup.scenario.rule?.detector ?? {};
  const outputAt = ({ to, equal }: Band) => {
    const { ratio, drive } = lookUp(setup.gearings, to);
    return equal && torqueAt(line, equal.downRpm) * ratio * drive;
  };
  const read = (band: Band) => {
    const torque = outputAt(band);
    return torque === null ? null : readAs(detector, torque);
  };
  const column = (head: string, title: string, value: (band: Band) => number | null, less = true) => ({
    head,
    less,
    title,
    numeric: true,
    value,
    cell: (band: Band) => number(value(band)),
  });
  return (
    <div className="flex flex-col gap-3">
      {setup.bands.length === 0 ? (
        <p className="muted">With one position there is nothing to shift.</p>
      ) : (
        <>
          <ul aria-label="When to shift" className="flex flex-col gap-2">
            {setup.bands.map((band) => (
              <li key={`${band.from} ${band.to}`}>
                <BandWords setup={setup} band={band} />
              </li>
            ))}
          </ul>
          <DataTable
            label="Shift points"
            oneLine
            rows={setup.bands}
            keyOf={({ from, to }) => `${from} ${to}`}
            columns={[
              { head: 'Pair', value: ({ from, to }) => `${nameOf(from)} ↔ ${nameOf(to)}` },
              column('r', 'Ratio after over ratio before of the up-shift, in/out', ({ r }) => r, false),
              ...(noLoad === null
                ? []
                : [
                    column('Down, n/n₀', 'Share of the no-load speed', ({ equal }) => equal && equal.downRpm / noLoad),
                    column(
                      'Up above, n/n₀',
                      'Share of the no-load speed',
                      ({ equal }) => equal && equal.upRpm / noLoad,
                    ),
                  ]),
              column(`Down, ${speedUnit}`, 'Input speed', ({ equal }) => equal && equal.downRpm * perRpm, false),
              column(`Up above, ${speedUnit}`, 'Input speed', ({ equal }) => equal && equal.upRpm * perRpm, false),
              column(
                `Down, ${torqueUnit} in`,
                'Motor torque there',
                ({ equal }) => equal && torqueAt(line, equal.downRpm) * perNm,
              ),
              column(
                `Up above, ${torqueUnit} in`,
                'Motor torque there',
                ({ equal }) => equal && torqueAt(line, equal.upRpm) * perNm,
              ),
              column(
                `Either, ${torqueUnit} out`,
                'Output torque there: equal power at one output speed is equal torque',
                (band) => scaled(outputAt(band), perNm),
              ),
              ...(detector.stiffnessNmPerDeg
                ? [column('Lever, °', 'Turn of the detector’s spring', (band) => read(band)?.degrees ?? null)]
                : []),
              ...(detector.armMm
                ? [column('Scale, N', 'On the detector’s arm', (band) => read(band)?.forceN ?? null)]
                : []),
            ]}
          />
        </>
      )}
      {noLoad !== null && <StepForShare setup={setup} />}
    </div>
  );
}

const scaled = (value: number | null, by: number): number | null => value && value * by;

const VERDICTS = {
  sound: 'sound: up lands above where it goes down',
  weak: 'it comes to stay, but shifts up before the power is equal',
  hunts: 'hunts: an upshift lands below the downshift speed',
} as const;

function BandWords({ setup, band: { from, to, r, equal, further, own } }: { setup: Setup; band: Band }) {
  const nameOf = useNameOf();
  const { speed } = useUnits();
  const noLoad = noLoadOf(setup.scenario.motor);
  const at = (rpm: number) => (noLoad === null ? speed(rpm) : `u = ${figure(rpm / noLoad)} (${speed(rpm)})`);
  return (
    <>
      <p>
        <strong>
          {nameOf(from)} ↔ {nameOf(to)}
        </strong>
        {equal ? (
          <>
            : down from {nameOf(to)} at {at(equal.downRpm)}, which lands at {at(equal.landsRpm)}: the same power before
            and after. Up from {nameOf(from)} only above {at(equal.upRpm)}.
          </>
        ) : (
          `, r = ${figure(r)}: one of the two always gives more power, so there is no point to change.`
        )}
      </p>
      {further.length > 0 && (
        <p className="muted">
          The power is equal also with {nameOf(to)} at {listed(further.map(({ downRpm }) => at(downRpm)))}; there it
          matters less.
        </p>
      )}
      {own && (
        <p
          className={
            own.verdict === 'hunts'
              ? 'border-l-3 border-error pl-2'
              : own.verdict === 'weak'
                ? 'border-l-3 border-warning pl-2'
                : 'muted'
          }
        >
          Yours: up at {at(own.upRpm)} lands at {at(own.upLandsRpm)}, down at {at(own.downRpm)}: {VERDICTS[own.verdict]}
          .
        </p>
      )}
    </>
  );
}

/**
 * The largest step that stays above a share of the peak power, and the least number of positions for the spread of
 * these.
 */
function StepForShare({ setup: { gearings, scenario } }: { setup: Setup }) {
  const [text, setText] = useState('75');
  const share = readFigure(text, '%') / 100;
  const sound = share > 0 && share < 1;
  const r = leastRatioForShare(share);
  const ratios = scenario.order.map((id) => lookUp(gearings, id).ratio);
  const spread = Math.max(...ratios) / Math.min(...ratios);
  const positions = Math.ceil(Math.log(spread) / -Math.log(r) - 1e-9) + 1;
  return (
    <section aria-label="Step for a share of the power">
      <label className="flex items-center gap-2">
        To stay above
        <input
          className="input input-xs figure w-14 aria-invalid:border-error"
          aria-label="Share of peak power, per cent"
          aria-invalid={!sound}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        % of peak power
      </label>
      {sound ? (
        <p>
          a step may go down to r = <span className="figure">{figure(r)}</span>
          {spread > 1 && (
            <>
              ; the spread of these positions, <span className="figure">{figure(spread)}</span>, then takes at least{' '}
              <span className="figure">{positions}</span>
            </>
          )}
          .
        </p>
      ) : (
        <p role="alert" className="text-error">
          A share above 0 and below 100 %.
        </p>
      )}
    </section>
  );
}
