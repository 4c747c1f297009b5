import { useState } from 'react';
import type { Reading } from '@/core/measurement';
import { couplerName } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { useSession, useTrain, useTrainStore } from '@/features/train/use-train';
import { postPicture } from '@/wire';
import { emptyFigures, KIND_ORDER, KINDS, wrongMarks, writtenReading } from '../kinds';
import { keptBeside } from '../correction';
import { useDraftReading, useJudgement, useLog, useLogItself, usePlaced } from '../use-log';
import { FigureFields } from './figure-fields';
import { focusFirst, pickKind } from './keys';
import { LogFiles } from './log-files';
import { ReadingPreview } from './preview';
import { Runs } from './runs';
import { BeginAnew } from '@/ui/begin-anew';
import { Simulated } from './simulated';

/** The reading that is taken: position, kind, figures, Enter. */
export function EntryForm() {
  const { log, draft: kept } = useLogItself();
  const session = useSession();
  const draft = useLog((state) => state.draft);
  const run = useLog((state) => state.run);
  const correcting = useLog((state) => state.correcting);
  const set = useLog((state) => state.set);
  const placed = usePlaced();
  const read = useDraftReading();
  const [why, setWhy] = useState('');
  const [picture, setPicture] = useState<File | null>(null);
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const wrong = wrongMarks(draft);
  const enter = async () => {
    if (!read.ok || wrong !== null)
      return setTold({ text: wrong ?? 'It is not logged yet: see what is marked.', bad: true });
    if (correcting !== null && why.trim() === '') return setTold({ text: 'Say why it is corrected.', bad: true });
    const id = crypto.randomUUID();
    let pictureId: string | undefined;
    if (picture) {
      const answer = await postPicture(session.id, picture);
      if (!answer.ok) return setTold({ text: `${picture.name}: ${answer.message}`, bad: true });
      pictureId = answer.value.id;
    }
    const { version } = session.store.getState();
    const rest = {
      id,
      ...placed,
      ...(correcting
        ? keptBeside(correcting, draft.kind)
        : {
            at: new Date().toISOString(),
            revision: version,
            ...(run !== null && { run }),
          }),
      ...(pictureId && { picture: pictureId }),
    };
    const reading = writtenReading(draft, rest) as Reading;
    const entry =
      correcting === null
        ? { id, kind: 'reading' as const, document: reading }
        : { id, kind: 'correction' as const, document: { of: correcting.of, why: why.trim(), reading } };
    const answer = await log.add([entry]);
    setTold({
      text: answer.ok ? (correcting === null ? 'Logged.' : 'Corrected: both stay.') : answer.message,
      bad: !answer.ok,
    });
    if (!answer.ok) return;
    const figures = { ...draft.figures, ...emptyFigures(draft.kind, draft.figures) };
    set({ draft: { ...draft, figures, note: '', what: '' }, chosen: id, correcting: null, side: 'reading' });
    setPicture(null);
    setWhy('');
    focusFirst();
  };
  return (
    <form
      aria-label="The reading"
      className="pb-4 text-sm"
      noValidate
      onKeyDown={(event) => {
        // Out of the field, so that keys choose positions and kinds again.
        if (event.key === 'Escape') (document.activeElement as HTMLElement | null)?.blur();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        void enter();
      }}
    >
      <PositionChoice />
      <KindChoice />
      <FigureFields read={read} />
      <div className="flex flex-col gap-1.5 px-4 py-2">
        {correcting !== null && <Correcting why={why} onWhy={setWhy} />}
        <ReadingPreview read={read} wrong={wrong} />
        <div className="flex items-center gap-2">
          <button type="submit" className="btn btn-neutral btn-sm">
            {correcting === null ? 'Log it' : 'Correct it'} <kbd className="kbd kbd-xs text-base-content">Enter</kbd>
          </button>
          <label
            className="btn btn-ghost btn-xs has-focus-visible:outline-2"
            title="A PNG or a JPEG of up to 5 MB; what the camera writes beside it is left out"
          >
            {picture ? picture.name.slice(0, 18) : 'Picture…'}
            <input
              type="file"
              className="sr-only"
              accept="image/png,image/jpeg"
              onChange={(event) => {
                setPicture(event.target.files?.[0] ?? null);
                event.target.value = '';
              }}
            />
          </label>
          <BeginAnew draft={kept} only={['draft']} />
        </div>
        {told && (
          <p role={told.bad ? 'alert' : 'status'} className={told.bad ? 'text-error' : undefined}>
            {told.text}
          </p>
        )}
      </div>
      <Simulated />
      <Runs />
      <LogFiles />
    </form>
  );
}

/** Which kind of reading is taken; its letter picks it too. */
function KindChoice() {
  const { store } = useLogItself();
  const chosen = useLog((state) => state.draft.kind);
  return (
    <div
      role="radiogroup"
      aria-label="Kind of reading"
      className="grid grid-cols-2 gap-x-2 gap-y-0.5 border-t border-base-300 px-4 py-2"
    >
      {KIND_ORDER.map((kind) => (
        <button
          key={kind}
          type="button"
          role="radio"
          aria-checked={kind === chosen}
          className={
            'flex items-center gap-2 rounded px-1 text-left aria-checked:bg-base-300 ' +
            'aria-checked:font-semibold hover:bg-base-200'
          }
          onClick={() => pickKind(store, kind)}
        >
          <kbd className="kbd kbd-xs">{KINDS[kind].letter}</kbd> {KINDS[kind].name}
        </button>
      ))}
    </div>
  );
}

/** The position that is chosen on every screen, or what is engaged of one's own. */
function PositionChoice() {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const { position: positionId, engaged, flow } = usePlaced();
  const correcting = useLog((state) => state.correcting);
  const set = useLog((state) => state.set);
  const draft = useLog((state) => state.draft);
  /** Of a correction it is said where that was read; else the train itself goes there. */
  const choose = (position: string) =>
    correcting === null
      ? choosePosition(store, position)
      : set({ correcting: { ...correcting, placed: { ...(flow && { flow }), position, engaged: [] } } });
  return (
    <div className="flex flex-col gap-1 px-4 py-2">
      <label className="flex items-center justify-between gap-2">
        <span className="font-semibold">Position</span>
        <select
          className="select select-sm w-44"
          value={positionId ?? ''}
          onChange={(event) => choose(event.target.value)}
        >
          {positionId === null && (
            <option value="">{engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing engaged'}</option>
          )}
          {train.positions.map(({ id, name }) => (
            <option key={id} value={id}>
              {name || id}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={draft.loaded}
          onChange={(event) => set({ draft: { ...draft, loaded: event.target.checked } })}
        />
        the output is loaded
      </label>
      {flow === 'coast' && <p className="muted">Read in coasting: the load pushes while the input turns on.</p>}
    </div>
  );
}

function Correcting({ why, onWhy }: { why: string; onWhy: (why: string) => void }) {
  const { rows } = useJudgement();
  const correcting = useLog((state) => state.correcting);
  const set = useLog((state) => state.set);
  const row = rows.find(({ id }) => id === correcting?.of);
  return (
    <div className="flex flex-col gap-1 border-l-3 border-warning pl-2">
      <p>
        This takes the place of {row?.judged ? row.judged.line : 'the chosen reading'}; its time, run, revision and
        picture stay.{' '}
        <button type="button" className="link" onClick={() => set({ correcting: null })}>
          Cancel
        </button>
      </p>
      <label className="flex items-center gap-2">
        Why
        <input
          className="input input-xs flex-1"
          value={why}
          maxLength={500}
          placeholder="wrong frame count typed"
          onChange={(event) => onWhy(event.target.value)}
        />
      </label>
    </div>
  );
}
