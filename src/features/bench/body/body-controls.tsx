'use client';

import { ArrowLeftToLine, ArrowRightToLine, Home } from 'lucide-react';
import { FRAME } from '@/core/train';
import type { TrainBody } from '@/core/body';
import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { DropDown } from '@/ui/drop-down';
import { SmallButton } from '../drawing/small-button';
import { useCard } from '../use-bench';
import { FIRST_LOOK, useBodyView, useBodyViewItself } from './view';

const DEGREES = 180 / Math.PI;

/** What is taken out of the body, how far its sets stand apart, from where it is seen, and what of it. */
export function BodyControls({ body }: { body: TrainBody }) {
  const { cut, apart, looks } = useBodyView((state) => state);
  const { change } = useBodyViewItself().getState();
  return (
    <div
      className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 pb-1.5 text-sm"
      role="group"
      aria-label="Look of the body"
    >
      <Slider
        label="Cut out"
        value={Math.round(cut.wide * DEGREES)}
        most={270}
        unit="°"
        title="How wide a sector is taken out"
        onChange={(degrees) => change({ cut: { ...cut, wide: degrees / DEGREES } })}
      />
      <Slider
        label="At"
        value={Math.round(cut.angle * DEGREES)}
        least={-180}
        most={180}
        unit="°"
        title="Where the sector begins, from the top"
        onChange={(degrees) => change({ cut: { ...cut, angle: degrees / DEGREES } })}
      />
      {body.figures.length > 1 && (
        <Slider
          label="Apart"
          value={Math.round(apart * 100)}
          most={100}
          unit=" %"
          title="How far the sets are drawn away from each other along the axis"
          onChange={(part) => change({ apart: part / 100 })}
        />
      )}
      <div className="flex" role="group" aria-label="Look from">
        <SmallButton
          label="Along the axis, from the left"
          icon={<ArrowRightToLine className="size-4" aria-hidden />}
          onPress={() => change({ looks: { ...looks, around: Math.PI / 2, above: 0 } })}
        />
        <SmallButton
          label="As at first"
          icon={<Home className="size-4" aria-hidden />}
          onPress={() => change({ looks: FIRST_LOOK })}
        />
        <SmallButton
          label="Along the axis, from the right"
          icon={<ArrowLeftToLine className="size-4" aria-hidden />}
          onPress={() => change({ looks: { ...looks, around: -Math.PI / 2, above: 0 } })}
        />
      </div>
      <MembersShown />
      {!body.isTrue && <span className="muted">Not to scale: modules are missing.</span>}
    </div>
  );
}

interface SliderProps {
  readonly label: string;
  readonly value: number;
  readonly least?: number;
  readonly most: number;
  readonly unit: string;
  readonly title: string;
  readonly onChange: (value: number) => void;
}

function Slider({ label, value, least = 0, most, unit, title, onChange }: SliderProps) {
  return (
    <label className="flex items-center gap-1.5" title={title}>
      {label}
      <input
        type="range"
        className="range range-xs w-20"
        min={least}
        max={most}
        step={1}
        value={value}
        aria-label={label}
        aria-valuetext={`${value}${unit}`}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      <span className="figure w-12">
        {value}
        {unit}
      </span>
    </label>
  );
}

/** Members that are drawn; one alone; a member's card. */
function MembersShown() {
  const train = useTrain((state) => state.train);
  const hidden = useBodyView((state) => state.hidden);
  const { change } = useBodyViewItself().getState();
  const openCard = useCard();
  const all = [...train.members.map(({ id }) => id as string), FRAME];
  const show = (ids: readonly string[]) => change({ hidden: new Set(all.filter((id) => !ids.includes(id))) });
  const shown = all.filter((id) => !hidden.has(id));
  return (
    <div className="[&_details>div]:bottom-full [&_details>div]:mb-1 [&_details>div]:max-h-[50vh] [&_details>div]:overflow-y-auto">
      <DropDown
        word={hidden.size > 0 ? `Members (${shown.length} of ${all.length})` : 'Members'}
        title="Which members are drawn"
        className="btn btn-ghost btn-xs"
      >
        <button type="button" className="btn btn-xs" disabled={hidden.size === 0} onClick={() => show(all)}>
          Show all
        </button>
        <table className="text-sm [&_td]:py-0.5 [&_td]:pr-3">
          <tbody>
            {all.map((id) => {
              const name = id === FRAME ? 'Frame' : memberName(train, id);
              return (
                <tr key={id}>
                  <td>
                    <label className="flex items-center gap-2">
                      <input
                        type="checkbox"
                        className="checkbox checkbox-xs"
                        checked={!hidden.has(id)}
                        onChange={(event) =>
                          show(event.target.checked ? [...shown, id] : shown.filter((other) => other !== id))
                        }
                      />
                      <span
                        className="size-3 border border-base-content"
                        style={{ background: id === FRAME ? 'var(--color-base-300)' : memberColor(train, id) }}
                        aria-hidden
                      />
                      {name}
                    </label>
                  </td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-xs"
                      aria-label={`${name} alone`}
                      onClick={() => show([id])}
                    >
                      Alone
                    </button>
                  </td>
                  <td>
                    {id !== FRAME && (
                      <button
                        type="button"
                        className="btn btn-xs"
                        aria-label={`Card of ${name}`}
                        onClick={() => openCard({ kind: 'member', id })}
                      >
                        Card
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </DropDown>
    </div>
  );
}
