import { messageAt } from '@/ui/form/fields';
import { couplerName, memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { FormFields } from '@/ui/form/form-fields';
import { useId, useMemo } from 'react';
import { emptyFigures, HAS_WAY, KINDS, resolutionsOf, type ReadingDraft } from '../kinds';
import { useJudgement, useLog } from '../use-log';
import { FIRST_FIGURE } from './keys';
import { partsById } from '@/core/train';
import type { Reading } from '@/core/measurement';
import { type Result } from '@/core/result';

/** The fields of the kind that is taken, the reading itself first. */
export function FigureFields({ read }: { read: Result<Reading> }) {
  const draft = useLog((state) => state.draft);
  const set = useLog((state) => state.set);
  const change = (some: Partial<ReadingDraft>) => set({ draft: { ...draft, ...some } });
  const { fields, of } = KINDS[draft.kind];
  const begunTyping = fields.some(({ key, stays }) => !stays && (draft.figures[key] ?? '').trim() !== '');
  const wrong = (key: string) => (begunTyping ? messageAt(read, key) : null);
  return (
    <div className="flex flex-col gap-1 border-t border-base-300 px-4 py-2">
      {of !== null && <PartChoice draft={draft} change={change} />}
      {(wrong('member') ?? wrong('position')) && (
        <p role="alert" className="text-error">
          {wrong('member') ?? wrong('position')}
        </p>
      )}
      <FormFields
        fields={fields.map((field) => (field.optional ? { ...field, placeholder: '—' } : field))}
        form={{ ...emptyFigures(draft.kind), ...draft.figures }}
        firstId={FIRST_FIGURE}
        unitWidth="w-16"
        wrong={wrong}
        onChange={(some) => change({ figures: { ...draft.figures, ...some } as ReadingDraft['figures'] })}
      />
      {fields.length > 0 && <Instrument draft={draft} change={change} />}
      {HAS_WAY.has(draft.kind) && (
        <label className="flex items-center justify-between gap-2">
          <span className="muted">It turned</span>
          <select
            className="select select-xs w-40"
            value={draft.way}
            onChange={(event) => change({ way: event.target.value as ReadingDraft['way'] })}
          >
            <option value="">way not noted</option>
            <option value="same">the same way as the input</option>
            <option value="reverse">in reverse</option>
          </select>
        </label>
      )}
      {draft.kind === 'event' && (
        <label className="flex flex-col">
          <span className="muted">What happened</span>
          <input
            id={FIRST_FIGURE}
            className="input input-xs w-full"
            value={draft.what}
            maxLength={2000}
            placeholder="the pin sheared"
            onChange={(event) => change({ what: event.target.value })}
          />
        </label>
      )}
      <label className="flex items-center gap-2">
        <span className="muted">Note</span>
        <input
          className="input input-xs flex-1"
          value={draft.note}
          maxLength={2000}
          onChange={(event) => change({ note: event.target.value })}
        />
      </label>
    </div>
  );
}

/** What it is read with; one that was named before brings how finely it was read. */
function Instrument({ draft, change }: { draft: ReadingDraft; change: (some: Partial<ReadingDraft>) => void }) {
  const { log } = useJudgement();
  const list = useId();
  const known = useMemo(
    () => [
      ...new Set(
        log.readings.flatMap(({ kind, instrument }) => (kind === draft.kind && instrument ? [instrument] : [])),
      ),
    ],
    [log, draft.kind],
  );
  const name = (instrument: string) =>
    change({
      figures: { ...draft.figures, ...resolutionsOf(draft.kind, instrument, log.readings), instrument },
    });
  return (
    <label className="flex items-center justify-between gap-2" title="It may be named; its resolution is remembered.">
      <span className="muted">Read with</span>
      <input
        className="input input-xs w-40"
        list={list}
        value={draft.figures.instrument ?? ''}
        maxLength={120}
        placeholder="an instrument"
        onChange={({ target }) => name(target.value)}
      />
      <datalist id={list}>
        {known.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
    </label>
  );
}

/** What the reading is of: a member, a pair, a gear, or any part. */
function PartChoice({ draft, change }: { draft: ReadingDraft; change: (some: Partial<ReadingDraft>) => void }) {
  const train = useTrain((state) => state.train);
  const { of } = KINDS[draft.kind];
  const member = (id: string) => memberName(train, id);
  const gear = (id: string) => {
    const found = partsById(train).find.gear(id);
    return found ? `${found.teeth} on ${member(found.member)}` : id;
  };
  const choices = {
    member: train.members.map(({ id }) => ({ id, name: member(id) })),
    mesh: train.meshes.map(({ id, gears }) => ({ id, name: gears.map(gear).join(' with ') })),
    gear: train.gears.map(({ id }) => ({ id, name: gear(id) })),
    part: [
      ...train.members.map(({ id }) => ({ id, name: member(id) })),
      ...train.couplers.map(({ id }) => ({ id, name: couplerName(train, id) })),
      ...train.gears.map(({ id }) => ({ id, name: `gear ${gear(id)}` })),
    ],
  };
  if (of === null) return null;
  return (
    <label className="flex items-center justify-between gap-2">
      <span className="muted">Of</span>
      <select
        className="select select-xs w-48"
        value={draft[of]}
        onChange={(event) => change({ [of]: event.target.value })}
      >
        {choices[of].map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
