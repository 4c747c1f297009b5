'use client';

import { useMemo, useState } from 'react';
import { toFraction, toNumber } from '@/core/rational';
import { centralName, elementNames, memberNames, oneWaySubstitutes, type SchemeResult } from '@/core/schemes';
import { itemAt } from '@/core/required';
import { FRAME } from '@/core/train';
import { figure } from '@/core/units';
import { UseAsNewTrain } from '@/features/train/use-as-new-train';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { useDraftedSideView } from '@/workers/use-drafted-side-view';
import { useSchemes } from './use-schemes';

const SPACE = { width: 640, height: 300 };

/** A scheme as side view with its chart, and what can be done with it. */
export function Chosen({ result, alone, first }: { result: SchemeResult; alone: boolean; first: boolean }) {
  const layBeside = useSchemes((state) => state.layBeside);
  const isBeside = useSchemes((state) => state.beside.includes(result.key));
  const { train } = result;
  const drawn = useDraftedSideView(train, SPACE);
  const [lit, setLit] = useState<readonly string[] | null>(null);
  return (
    <article aria-label="Scheme" className={alone ? 'grid w-full grid-cols-2 gap-4 max-xl:block' : 'w-96 shrink-0'}>
      <div>
        {drawn.ok ? (
          <>
            <SmallSideView
              view={drawn.view}
              train={train}
              className="h-56 w-full"
              {...(lit && { closed: new Set(lit) })}
            />
            <p className="muted text-sm">{nesting(drawn.view.crossings.length, drawn.finished)}</p>
          </>
        ) : (
          <p className="muted text-sm">{drawn.why}</p>
        )}
        <label className="flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={isBeside}
            onChange={() => layBeside(result.key)}
          />
          keep beside others
        </label>
      </div>
      <div className="flex flex-col gap-2 text-sm">
        <ChartOf result={result} onPoint={setLit} />
        <Joins result={result} />
        <OneWays result={result} />
        {first && <UseAsNewTrain made={{ ...train, name: 'New scheme' }} />}
      </div>
    </article>
  );
}

/** @param finished another drawing of it is not looked for any more */
function nesting(crossings: number, finished: boolean): string {
  if (crossings === 0) return 'Nests: drawn without a crossing.';
  const counted = crossings === 1 ? 'One crossing' : `${crossings} crossings`;
  return finished ? `${counted}: does not nest as it is drawn.` : `${counted} as it is drawn so far.`;
}

function ChartOf({ result, onPoint }: { result: SchemeResult; onPoint: (engaged: readonly string[] | null) => void }) {
  const { found, figures, train } = result;
  const names = elementNames(found);
  const ratios = [...figures.forward, ...(figures.reverse ? [figures.reverse] : [])];
  return (
    <table className="w-full [&_td]:px-1 [&_td]:py-0.5 [&_th]:px-1">
      <caption className="sr-only">What is engaged in each position</caption>
      <thead className="muted">
        <tr>
          <th scope="col" className="text-left font-normal">
            Position
          </th>
          {names.map((name) => (
            <th key={name} scope="col" className="font-normal">
              {name}
            </th>
          ))}
          <th scope="col" className="text-right font-normal">
            in/out
          </th>
          <th scope="col" className="text-right font-normal">
            step
          </th>
        </tr>
      </thead>
      <tbody>
        {train.positions.map(({ id, engaged }, i) => (
          <tr
            key={id}
            className="border-t border-base-300/60 hover:bg-base-200"
            onPointerEnter={() => onPoint(engaged)}
            onPointerLeave={() => onPoint(null)}
          >
            <th scope="row" className="text-left">
              {id}
            </th>
            {names.map((name) => (
              <td key={name} className="text-center" aria-label={engaged.includes(name) ? 'engaged' : 'open'}>
                {engaged.includes(name) ? '●' : '·'}
              </td>
            ))}
            <td className="figure text-right" title={toFraction(itemAt(ratios, i))}>
              {figure(toNumber(itemAt(ratios, i)))}
            </td>
            <td className="figure text-right">{figures.steps[i] === undefined ? '' : figure(figures.steps[i])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is joined for good, and what each element takes hold of. */
function Joins({ result: { found, sets } }: { result: SchemeResult }) {
  const names = memberNames(found.scheme, sets);
  const roles = (joined: readonly number[]) => joined.map((central) => centralName(central, sets)).join(' and ');
  const { members, frame, input, output } = found.scheme;
  const end = (at: number) => roles(itemAt(members, at)) || 'a shaft of its own';
  const joined = members.filter((one, i) => one.length > 1 && i !== input && i !== output).map(roles);
  return (
    <p>
      <span className="muted">In:</span> {end(input)}. <span className="muted">Out:</span> {end(output)}.
      {joined.length > 0 && (
        <>
          {' '}
          <span className="muted">Joined:</span> {joined.join('; ')}.
        </>
      )}
      {frame.length > 0 && (
        <>
          {' '}
          <span className="muted">Fixed:</span> {roles(frame)}.
        </>
      )}{' '}
      {elementNames(found).map((name, i) => {
        const { joins } = itemAt(found.selection.elements, i);
        return (
          <span key={name}>
            <span className="muted">{name}:</span> {joins.map((at) => itemAt(names, at)).join(' to ')}.{' '}
          </span>
        );
      })}
    </p>
  );
}

function OneWays({ result: { train, found } }: { result: SchemeResult }) {
  const forward = train.positions.slice(0, found.selection.forward.length).map(({ id }) => id);
  const substitutes = useMemo(() => oneWaySubstitutes(train, forward), [train, forward]);
  return substitutes.length === 0 ? null : (
    <p>
      <span className="muted">Could be one-way clutches, so that it shifts by itself forward:</span>{' '}
      {substitutes.map(({ coupler, joins }) => `${coupler} (${onlyWay(joins)})`).join(', ')}.
    </p>
  );
}

const onlyWay = ([a, b]: readonly [string, string]): string =>
  a === FRAME ? `${b} never backwards` : b === FRAME ? `${a} never forwards` : `${a} never ahead of ${b}`;
