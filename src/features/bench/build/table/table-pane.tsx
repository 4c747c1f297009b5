'use client';

import { useId, useState } from 'react';
import { moveRow, partsTable, removeRows, type Column, type Section } from '@/core/parts-table';
import { modelOf } from '@/core/model';
import { joinMembers, type Edit, type Train } from '@/core/train';
import { couplerName, memberName } from '@/core/words';
import { editTrain } from '@/features/train/edit';
import { KeepSets } from '@/features/train/keep-sets';
import { engagementIn } from '@/features/train/engagement';
import type { TrainState } from '@/features/train/store';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { isPlain } from '../../editing/is-plain';
import { useBench, useBenchItself } from '../../use-bench';
import { AskAbout, type Question } from '../../editing/ask-about';
import { fillIn, newRowsOf } from './fill';
import { SECTIONS } from './heads';
import { Offers, SectionGrid, type RowSaid } from './section-grid';

/** A train's parts as tables: every whole row is in the drawing, a row that is not whole waits with what it lacks. */
export function TablePane() {
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const bench = useBenchItself();
  const drafts = useBench((state) => state.drafts);
  const keepSets = usePreferences((state) => state.keepSets);
  const table = modelOf(train).derive(partsTable);
  const offers = useId();
  const [said, setSaid] = useState<(RowSaid & { readonly section: Section }) | null>(null);
  const [question, setQuestion] = useState<Question | null>(null);

  const take = (edit: Edit, section: Section, row: number) => {
    setSaid(edit.ok ? null : { section, row, message: edit.message, wrong: true });
    if (edit.ok && edit.train !== train) editTrain(store, edit.train);
  };
  const fill = (section: Section, row: number, column: Column, texts: readonly (readonly string[])[]) => {
    const now = store.getState().train;
    const alike = section === 'members' && column === 'name' ? sameNamed(now, row, texts) : null;
    if (alike) return setQuestion(joining(now, alike, () => fillNow(section, row, column, texts)));
    fillNow(section, row, column, texts);
  };
  const fillNow = (section: Section, row: number, column: Column, texts: readonly (readonly string[])[]) => {
    const now = store.getState().train;
    const {
      train: next,
      drafts: waiting,
      left,
      made,
    } = fillIn(now, bench.store.getState().drafts, { section, row, column, texts }, keepSets);
    const message = left ?? made;
    setSaid(message === null ? null : { section, row, message, wrong: left !== null });
    bench.store.getState().keepDrafts(waiting);
    if (next !== now) editTrain(store, next, positionShown(store.getState(), next));
  };
  const remove = (section: Section, rows: readonly number[]) => {
    const there = table[section].length;
    const ids = rows.flatMap((row) => table[section][row]?.id ?? []);
    const gone = newRowsOf(drafts[section]).filter((_, i) => rows.includes(there + i));
    const left = drafts[section].filter((draft) => !gone.includes(draft));
    if (gone.length > 0) bench.store.getState().keepDrafts({ ...drafts, [section]: left });
    if (ids.length === 0) return;
    const edit = removeRows(train, section, ids);
    const apply = () => take(edit, section, rows[0] ?? 0);
    if (!edit.ok || isPlain(train, edit.train)) return apply();
    setQuestion({
      lead: `This also changes what follows.`,
      after: edit.train,
      answers: [{ label: ids.length === 1 ? 'Remove it' : `Remove these ${ids.length}`, apply }],
    });
  };
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 py-2" tabIndex={-1}>
      {question && <AskAbout question={question} before={train} onDone={() => setQuestion(null)} />}
      <div className="mb-2 flex flex-wrap items-center gap-x-6 text-sm">
        <KeepSets />
        <p className="muted text-xs">
          Type over a cell; a new name makes a member, “frame” holds. Paste rows from a spreadsheet. Enter and the
          arrows go on, Ctrl+D fills a cell down to the last row, Alt with an arrow moves a row, Delete on its number
          removes it.
        </p>
      </div>
      <Offers id={`${offers}-members`} names={[...train.members.map(({ id }) => memberName(train, id)), 'frame']} />
      <Offers id={`${offers}-couplers`} names={train.couplers.map(({ id }) => couplerName(train, id))} />
      {SECTIONS.map((section) => (
        <SectionGrid
          key={section}
          offers={offers}
          section={section}
          rows={table[section]}
          drafts={drafts[section]}
          said={said?.section === section ? said : null}
          onFill={(row, column, texts) => fill(section, row, column, texts)}
          onRemove={(rows) => remove(section, rows)}
          onMove={(row, by) => {
            const id = table[section][row]?.id;
            if (id !== undefined) take(moveRow(train, section, id, by), section, row);
          }}
        />
      ))}
    </div>
  );
}

/** What is engaged follows the position that is shown as it is typed; the first one that a train gets is shown. */
function positionShown(state: TrainState, { positions }: Train): Parameters<typeof editTrain>[2] {
  const { positionId } = engagementIn(state);
  const shown = state.train.positions.length === 0 ? positions[0] : positions.find(({ id }) => id === positionId);
  return shown && { choice: { engaged: shown.engaged, positionId: shown.id } };
}

interface Alike {
  readonly own: string;
  readonly other: string;
}

/** A member that is given the name of another. */
function sameNamed(train: Train, row: number, texts: readonly (readonly string[])[]): Alike | null {
  const [[name = ''] = []] = texts;
  const own = train.members[row]?.id;
  const other = train.members.find(({ id }) => id !== own && memberName(train, id) === name.trim())?.id;
  return own !== undefined && other !== undefined && texts.length === 1 ? { own, other } : null;
}

/** Asks once whether two members of one name are one, and says what that does. */
function joining(train: Train, { own, other }: Alike, keepTwo: () => void): Question {
  const joined = joinMembers(train, other, own);
  return {
    lead: `“${memberName(train, other)}” is there already. Are the two one member?`,
    after: joined.ok ? joined.train : null,
    answers: [
      ...(joined.ok ? [{ label: 'They are one', edit: joined.train }] : []),
      { label: 'They are two of one name', apply: keepTwo },
    ],
    ...(joined.ok ? {} : { note: joined.message }),
  };
}
