'use client';

import clsx from 'clsx';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import { inverse, toNumber } from '@/core/rational';
import { outputTorque, type Solved } from '@/core/solve';
import type { Train } from '@/core/train';
import { figure, ratioFigure, ratioText, wayText, type RatioConvention } from '@/core/units';
import { couplerName, listed } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import { choosePosition } from '@/features/train/choosing';
import { engagementIn, type Engagement } from '@/features/train/engagement';
import { useLoads, useScale } from '@/features/train/input/loads';
import { useTyped, type TypedInput } from '@/features/train/input/typed-input';
import { useTrain, useNow, useTrainStore } from '@/features/train/use-train';
import { STATUS_WORDS } from '@/features/train/words';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { usePreferences, type KeyFigure } from '@/ui/preferences';
import { KeepPosition } from './keep-position';
import { partsById } from '@/core/train';
import { required } from '@/core/required';

const PositionsDialog = onDemand(async () => (await import('./positions-dialog')).PositionsDialog);

/** The gear positions as keys, always in reach, and what the last change put on and off. */
export function PositionsStrip() {
  const train = useTrain((state) => state.train);
  const { positionId } = useNow();
  const own = positionId === null && train.couplers.length > 0;
  const [listing, setListing] = useState(false);
  const close = useCallback(() => setListing(false), []);
  useEffect(() => whenIdle([PositionsDialog.load]), []);
  return (
    <div
      className={
        'min-w-0 max-sm:sticky max-sm:bottom-0 max-sm:z-20 max-sm:order-last max-sm:border-t ' +
        'max-sm:border-base-content max-sm:bg-base-100 max-sm:px-4 max-sm:py-1.5 sm:grow sm:basis-0'
      }
    >
      <div className="flex items-center gap-3">
        <ShiftNote />
        {own && <KeepPosition />}
        {/* Where there is little room, what was changed and how to keep it come first. */}
        {train.positions.length > 0 && (
          <div className={own ? 'contents max-xl:hidden' : 'contents'}>
            <KeyFigureChoice />
          </div>
        )}
        {train.positions.length > 0 && (
          <button
            type="button"
            className={clsx('btn btn-ghost btn-xs shrink-0', own && 'max-xl:ml-auto')}
            onClick={() => setListing(true)}
          >
            Edit positions
          </button>
        )}
      </div>
      {listing && <PositionsDialog.Shown onClose={close} />}
      {train.positions.length === 0 ? (
        <p className="muted text-sm">This train has one way of running and no positions.</p>
      ) : (
        <Keys train={train} />
      )}
    </div>
  );
}

/** Scrolls the strip, and never the page, until the key that is pressed is in sight. */
function showPressed(strip: HTMLElement): void {
  const key = strip.querySelector('[aria-pressed=true]')?.getBoundingClientRect();
  if (!key) return;
  const { left, right } = strip.getBoundingClientRect();
  strip.scrollLeft += Math.min(0, key.left - left) + Math.max(0, key.right - right);
}

function Keys({ train }: { train: Train }) {
  const { positionId: chosen } = useNow();
  const losses = useTrain((state) => state.losses);
  const convention = usePreferences((state) => state.convention);
  const shows = usePreferences((state) => state.keyFigure);
  const typed = useScale();
  const loads = useLoads();
  const strip = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // After the next frame: asking where things are before it is drawn would lay the page out twice.
    const frame = requestAnimationFrame(() => showPressed(required(strip.current)));
    return () => cancelAnimationFrame(frame);
  }, [chosen]);
  return (
    <div ref={strip} role="group" aria-label="Positions" className="flex gap-1.5 overflow-x-auto pb-1 pt-0.5">
      {train.positions.map((position) => {
        const { solved } = analyseEngaged(train, position.engaged, 'drive', losses, loads);
        const { ratio, status } = solved;
        return (
          <Key
            key={position.id}
            id={position.id}
            name={position.name}
            shown={keyText(solved, shows, convention, typed)}
            way={ratio ? wayText(inverse(ratio)) : STATUS_WORDS[status]}
            pressed={position.id === chosen}
          />
        );
      })}
    </div>
  );
}

const Key = memo(function Key({
  id,
  name,
  shown,
  way,
  pressed,
}: {
  id: string;
  name: string;
  shown: string;
  way: string;
  pressed: boolean;
}) {
  const store = useTrainStore();
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={() => choosePosition(store, id)}
      className={clsx(
        'min-w-19 shrink-0 rounded-t-md rounded-b-xl border px-2 py-0.5 text-center leading-tight',
        pressed
          ? 'border-primary bg-primary text-primary-content'
          : 'border-base-content/60 bg-base-200 hover:bg-base-300',
      )}
    >
      <span className="block font-semibold">{name}</span>
      <span className="figure block text-sm">{shown}</span>
      <span className="block text-xs">{way}</span>
    </button>
  );
});

/** The figure of a position's key: its ratio, or the first output's speed or torque for what is put in. */
function keyText(solved: Solved, shows: KeyFigure, convention: RatioConvention, { speed, torque }: TypedInput): string {
  const { ratio } = solved;
  if (shows === 'ratio') return ratio ? ratioFigure(ratio, convention) : '—';
  if (shows === 'speed') return ratio && speed.value !== null ? figure(speed.value / Math.abs(toNumber(ratio))) : '—';
  const out = outputTorque(solved);
  return out && torque.value !== null ? figure(Math.abs(toNumber(out)) * torque.value) : '—';
}

const KEY_FIGURES: Record<KeyFigure, string> = { ratio: 'ratio', speed: 'output speed', torque: 'output torque' };

/** What the keys show. */
function KeyFigureChoice() {
  const { keyFigure, set } = usePreferences();
  const { speed, torque } = useTyped();
  const unit = keyFigure === 'speed' ? speed.unit : keyFigure === 'torque' ? torque.unit : null;
  return (
    <label className="ml-auto flex shrink-0 items-center gap-1.5 text-sm max-sm:hidden">
      <span className="muted">Show on keys</span>
      <select
        className="select select-xs w-32"
        value={keyFigure}
        onChange={(event) => set({ keyFigure: event.target.value as KeyFigure })}
      >
        {(Object.keys(KEY_FIGURES) as KeyFigure[]).map((kind) => (
          <option key={kind} value={kind}>
            {KEY_FIGURES[kind]}
          </option>
        ))}
      </select>
      {unit && <span className="muted">{unit}</span>}
    </label>
  );
}

/** What is engaged; after a change, what went on and off and what that did to the ratio. */
function ShiftNote() {
  const train = useTrain((state) => state.train);
  const now = useNow();
  const before = useTrain((state) => state.before && engagementIn({ train: state.train, choice: state.before }));
  const losses = useTrain((state) => state.losses);
  const convention = usePreferences((state) => state.convention);
  const names = (ids: readonly string[]) => listed(ids.map((id) => couplerName(train, id)));
  const end = ({ engaged }: Engagement) =>
    ratioWords(analyseEngaged(train, engaged, 'drive', losses).solved, convention);
  const title = ({ positionId }: Engagement) => partsById(train).find.position(positionId)?.name ?? 'custom';
  const on = before ? now.engaged.filter((id) => !before.engaged.includes(id)) : [];
  const off = before ? before.engaged.filter((id) => !now.engaged.includes(id)) : [];
  const changes = [...(on.length > 0 ? [`${names(on)} on`] : []), ...(off.length > 0 ? [`${names(off)} off`] : [])];
  return (
    <p role="status" className="muted truncate text-sm" data-testid="shift-note">
      {before && changes.length > 0 ? (
        <>
          <strong className="font-semibold text-base-content">
            {title(before)} → {title(now)}: {changes.join(', ')}
          </strong>{' '}
          · {end(before)} → {end(now)}
        </>
      ) : (
        <>
          <strong className="font-semibold text-base-content">{title(now)}</strong>
          {now.engaged.length > 0 ? ` · ${names(now.engaged)} engaged` : ' · nothing engaged'}
        </>
      )}
    </p>
  );
}

const ratioWords = ({ ratio, status }: Solved, convention: RatioConvention): string =>
  ratio ? `${ratioText(ratio, convention)}, ${wayText(inverse(ratio))}` : STATUS_WORDS[status];
