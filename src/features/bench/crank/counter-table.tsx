'use client';

import { useEffect, useRef, useState } from 'react';
import { toNumber, ZERO, type Rational } from '@/core/rational';
import { teethPassed } from '@/core/turning';
import { figure } from '@/core/units';
import { exact, memberName } from '@/core/words';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { useBench, useCrank } from '../use-bench';
import { useEachFrame } from './turns';
import { partsById } from '@/core/train';

const FREE = 'Its speed is undetermined. Counted is what a little drag, alike on everything free, leaves of it.';

/** Nobody reads figures that change faster. */
const READABLE_MS = 90;

/**
 * Turns of every member since the last reset, exact as soon as it stands, and teeth of each of its gears that went
 * past.
 */
export function CounterTable() {
  const train = useTrain((state) => state.train);
  const turned = useBench((state) => state.turned);
  const crank = useCrank();
  const light = useLight();
  const { moves } = useExplained();
  const free = new Set(moves.flatMap(({ id, isFree }) => (isFree ? [id] : [])));
  const [fractions, setFractions] = useState(true);
  const cells = useRef(new Map<string, HTMLElement>());
  const parts = partsById(train);
  const shown = (value: Rational) => (fractions ? exact(value) : figure(toNumber(value)));
  const last = useRef(0);
  const inView = useRef(new Set<Element>());
  useEachFrame((turns) => {
    const moving = crank.turnsSince !== 0;
    if (moving && performance.now() - last.current < READABLE_MS) return;
    last.current = performance.now();
    const write = (key: string, exact: Rational, live: number) => {
      const cell = cells.current.get(key);
      // While it moves only the rounded count is right; exact ones come back when it stands.
      // Of a long table only the rows in view are kept up while it moves.
      if (cell && (!moving || inView.current.has(cell)))
        cell.textContent = moving ? live.toFixed(2).replace('-', '−') : shown(exact);
    };
    for (const { id } of train.members) write(`turns ${id}`, turned.members.get(id) ?? ZERO, turns(id));
    for (const gear of train.gears) {
      const carrier = parts.find.member(gear.member)?.carrier;
      write(
        `teeth ${gear.id}`,
        teethPassed(train, gear, turned),
        gear.teeth * (turns(gear.member) - (carrier ? turns(carrier) : 0)),
      );
    }
  });
  const keep = (key: string) => (element: HTMLElement | null) => {
    if (element) cells.current.set(key, element);
    else cells.current.delete(key);
  };
  useEffect(() => {
    const watch = new IntersectionObserver((entries) => {
      for (const { target, isIntersecting } of entries) {
        if (isIntersecting) inView.current.add(target);
        else inView.current.delete(target);
      }
    });
    for (const cell of cells.current.values()) watch.observe(cell);
    return () => watch.disconnect();
  }, [train]);
  return (
    <div
      className="mt-1 min-h-0 flex-1 overflow-auto contain-content"
      tabIndex={0}
      role="group"
      aria-label="Turn counters"
    >
      <table className="w-full table-fixed text-sm [&_td]:py-0.5 [&_th]:py-0.5 [&_th]:text-left [&_th]:font-normal">
        <thead className="muted sticky top-0 bg-base-100">
          <tr className="[&>th]:border-b [&>th]:border-base-300">
            <th scope="col">Member</th>
            <th scope="col" className="!text-right">
              <label className="inline-flex cursor-pointer items-center gap-1.5" title="Fractions, or four figures">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={fractions}
                  onChange={(event) => setFractions(event.target.checked)}
                />
                exact turns
              </label>
            </th>
            <th scope="col" className="!pl-5">
              Gear
            </th>
            <th scope="col" className="!text-right">
              teeth passed
            </th>
          </tr>
        </thead>
        <tbody>
          {train.members.map(({ id }) => {
            const gears = train.gears.filter(({ member }) => member === id);
            return (gears.length > 0 ? gears : [null]).map((gear, i) => (
              <tr
                key={`${id} ${gear?.id}`}
                className={i === 0 ? 'border-t border-base-300/60 hover:bg-base-200' : 'hover:bg-base-200'}
                onPointerEnter={() => light({ members: [id] })}
                onPointerLeave={() => light(null)}
              >
                {i === 0 ? (
                  <>
                    <th scope="row" className="!font-semibold">
                      <span
                        className="mr-2 inline-block size-2.5 rounded-full"
                        style={{ background: memberColor(train, id) }}
                        aria-hidden
                      />
                      {memberName(train, id)}
                      {free.has(id) && (
                        <span className="muted font-normal" title={FREE}>
                          {' '}
                          free
                        </span>
                      )}
                    </th>
                    <td>
                      <Figure hold={keep(`turns ${id}`)} testId={`turns ${id}`} />
                    </td>
                  </>
                ) : (
                  <td colSpan={2} />
                )}
                <td className="figure muted pl-5">{gear?.teeth}</td>
                <td>{gear && <Figure hold={keep(`teeth ${gear.id}`)} testId={`teeth ${gear.id}`} />}</td>
              </tr>
            ));
          })}
        </tbody>
      </table>
    </div>
  );
}

/** A figure that changes often: contained, so that a new one lays out nothing but itself. */
const Figure = ({ hold, testId }: { hold: (element: HTMLElement | null) => void; testId: string }) => (
  <span ref={hold} data-testid={testId} className="figure block h-5 text-right contain-[layout_size]" />
);
