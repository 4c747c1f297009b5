'use client';

import { Download, History, Keyboard, Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { renameTrain } from '@/core/train';
import {
  FORCE_UNITS,
  isForce,
  SPEED_UNITS,
  TORQUE_UNITS,
  type ForceUnit,
  type RatioConvention,
  type SpeedUnit,
  type TorqueUnit,
} from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { ThemeSwitch } from '@/ui/theme-switch';
import { editTrain, redo, undo } from './editing/edit';
import { FilesDialog } from './files/files-dialog';
import { isSaved } from './keeping/autosave';
import { RevisionsDialog } from './revisions/revisions-dialog';
import { useBench, useBenchStore, useHistory, type SaveState } from './store';

export function TopBar({ onKeys }: { onKeys: () => void }) {
  const { convention, set } = usePreferences();
  const store = useBenchStore();
  const canUndo = useHistory((history) => history.pastStates.length > 0);
  const canRedo = useHistory((history) => history.futureStates.length > 0);
  const [open, setOpen] = useState<'revisions' | 'files' | null>(null);
  const close = () => setOpen(null);
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-content px-4 py-1.5">
      <Link href="/" className="link-hover muted text-sm">
        Shelf
      </Link>
      <TrainName />
      <span className="flex-1" />
      <SaveNote />
      <div className="flex">
        <BarButton
          label="Undo"
          title="Undo (Ctrl Z)"
          onPress={() => undo(store)}
          disabled={!canUndo}
          icon={<Undo2 className="size-4" aria-hidden />}
        />
        <BarButton
          label="Redo"
          title="Redo (Ctrl Shift Z)"
          onPress={() => redo(store)}
          disabled={!canRedo}
          icon={<Redo2 className="size-4" aria-hidden />}
        />
      </div>
      <fieldset
        className="flex items-center gap-1.5 text-sm"
        title="in/out: input turns for one turn of the output. out/in: output turns for one turn of the input."
      >
        <legend className="sr-only">Ratio convention</legend>
        <span className="muted">Ratio</span>
        <div className="join">
          {(['in/out', 'out/in'] satisfies RatioConvention[]).map((choice) => (
            <input
              key={choice}
              type="radio"
              name="convention"
              className="btn join-item btn-xs checked:!bg-neutral checked:!text-neutral-content"
              aria-label={choice}
              checked={convention === choice}
              onChange={() => set({ convention: choice })}
            />
          ))}
        </div>
      </fieldset>
      <UnitChoices />
      <BarButton
        label="Revisions"
        onPress={() => setOpen('revisions')}
        icon={<History className="size-4" aria-hidden />}
      />
      <BarButton
        label="Save as a file"
        onPress={() => setOpen('files')}
        icon={<Download className="size-4" aria-hidden />}
      />
      {open === 'revisions' && <RevisionsDialog onClose={close} />}
      {open === 'files' && <FilesDialog onClose={close} />}
      <BarButton label="Keys" title="Keys (?)" onPress={onKeys} icon={<Keyboard className="size-4" aria-hidden />} />
      <ThemeSwitch />
    </header>
  );
}

function BarButton({
  label,
  title = label,
  icon,
  disabled = false,
  onPress,
}: {
  label: string;
  title?: string;
  icon: React.ReactNode;
  disabled?: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={label}
      title={title}
      disabled={disabled}
      onClick={onPress}
    >
      {icon}
    </button>
  );
}

function TrainName() {
  const train = useBench((state) => state.train);
  const store = useBenchStore();
  const [typed, setTyped] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const finish = () => {
    if (typed === null) return;
    if (typed.trim() === train.name) {
      setTyped(null);
      return;
    }
    const edit = renameTrain(train, typed);
    if (edit.ok) {
      editTrain(store, edit.train);
      setTyped(null);
      setMessage(null);
    } else setMessage(edit.message);
  };
  return (
    <div className="relative">
      <h1 className="sr-only">{train.name}</h1>
      <input
        aria-label="Name of the train"
        aria-invalid={message !== null}
        className="w-64 rounded-sm border border-transparent bg-transparent px-1.5 py-0.5 text-lg font-semibold hover:border-base-300"
        value={typed ?? train.name}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish();
          if (event.key === 'Escape') {
            setTyped(null);
            setMessage(null);
          }
        }}
      />
      {message && (
        <p
          role="alert"
          className="absolute left-0 top-full z-20 mt-1 whitespace-nowrap bg-error px-2 py-1 text-sm text-error-content"
        >
          {message}
        </p>
      )}
    </div>
  );
}

const SAVE_TEXT: Record<SaveState['kind'], string> = {
  idle: 'Not saved yet',
  saving: 'Saving…',
  failed: 'Not saved, kept in this browser',
  conflict: 'Changed elsewhere',
};

function SaveNote() {
  const save = useBench((state) => state.save);
  const saved = useBench((state) => isSaved(state) && (state.save.kind === 'idle' || state.save.kind === 'failed'));
  const bad = !saved && (save.kind === 'failed' || save.kind === 'conflict');
  return (
    <div className="relative">
      <p role="status" className={bad ? 'text-sm text-error' : 'muted text-sm'}>
        {saved ? 'Saved' : SAVE_TEXT[save.kind]}
      </p>
      {!saved && save.kind === 'failed' && (
        <p className="absolute top-full right-0 z-20 mt-2 w-72 border border-error bg-base-100 px-2 py-1 text-sm shadow-md">
          {save.message}
        </p>
      )}
    </div>
  );
}

function UnitChoices() {
  const { torqueUnit, speedUnit, armMm, set } = usePreferences();
  return (
    <div className="flex items-center gap-1.5">
      <select
        className="select select-xs w-24"
        aria-label="Unit of speed"
        value={speedUnit}
        onChange={(event) => set({ speedUnit: event.target.value as SpeedUnit })}
      >
        {Object.keys(SPEED_UNITS).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </select>
      <select
        className="select select-xs w-24"
        aria-label="Unit of torque"
        value={torqueUnit}
        onChange={(event) => set({ torqueUnit: event.target.value as TorqueUnit | ForceUnit })}
      >
        {Object.keys(TORQUE_UNITS).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
        <optgroup label="force on an arm">
          {Object.keys(FORCE_UNITS).map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </optgroup>
      </select>
      {isForce(torqueUnit) && (
        <label className="flex items-center gap-1 text-sm">
          <span className="muted">on an arm of</span>
          <input
            type="number"
            className="input input-xs figure w-18"
            aria-label="Length of the arm, mm"
            min={1}
            max={100000}
            defaultValue={armMm}
            onChange={(event) =>
              event.target.validity.valid && event.target.value !== '' && set({ armMm: Number(event.target.value) })
            }
          />
          <span className="muted">mm</span>
        </label>
      )}
    </div>
  );
}
