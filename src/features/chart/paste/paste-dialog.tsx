'use client';

import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { readPasted, type ColumnUse, type Pasted } from '@/core/gear-chart';
import { couplerName, listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { decidesForItself } from '@/features/train/words';
import { Dialog, DialogActions } from '@/ui/dialog';
import { useEdits } from '../edits';

/**
 * Reads positions out of a pasted table: what was understood, what has to be asked, and nothing changed until it is
 * agreed to.
 */
export function PasteDialog({ text: pastedText, onClose }: { text: string; onClose: () => void }) {
  const train = useTrain((state) => state.train);
  const edits = useEdits();
  const [text, setText] = useState(pastedText);
  const [answers, setAnswers] = useState<ReadonlyMap<number, ColumnUse>>(new Map());
  const [replace, setReplace] = useState(false);
  const cells = useMemo(() => Papa.parse<string[]>(text, { delimiter: delimiterOf(text) }).data, [text]);
  const read = useMemo(() => readPasted(train, cells, answers), [train, cells, answers]);
  const take = (next: string) => {
    setText(next);
    setAnswers(new Map());
  };
  const asked = read.columns.some(({ use }) => use.kind === 'unknown');
  const answer = (at: number, use: ColumnUse) => {
    const next = new Map(answers);
    // A column that says the names, or a coupler, is the only one that does.
    for (const [i, column] of read.columns.entries())
      if (i !== at && sameUse(column.use, use)) next.set(i, { kind: 'unknown' });
    setAnswers(next.set(at, use));
  };
  return (
    <Dialog title="Positions from a table" wide onClose={onClose}>
      {pastedText === '' && (
        <textarea
          aria-label="The table"
          autoFocus
          className="textarea figure mt-2 h-28 w-full text-xs"
          placeholder={'Paste here what was copied from a spreadsheet:\nposition\tfirst\tsecond\n1\tx\t\n2\t\tx'}
          value={text}
          onChange={(event) => take(event.target.value)}
          onPaste={(event) => {
            // Browsers take minutes to put thousands of lines into a field one by one.
            event.preventDefault();
            take(event.clipboardData.getData('text/plain'));
          }}
        />
      )}
      {read.columns.length > 0 ? (
        <Understood read={read} onAnswer={answer} />
      ) : (
        <p className="muted mt-2 text-sm">
          Rows are positions, columns couplers by their names; x, 1, ● or the coupler’s name mean engaged.
        </p>
      )}
      {read.doubts.length > 0 && (
        <ul aria-label="In doubt" className="mt-2 list-disc pl-5 text-sm text-warning">
          {read.doubts.map((doubt) => (
            <li key={doubt}>{doubt}</li>
          ))}
        </ul>
      )}
      {asked && (
        <p role="alert" className="mt-2 text-sm text-error">
          Say of each column marked “what is this?” which coupler it is, or that it is left out.
        </p>
      )}
      <DialogActions>
        {train.positions.length > 0 && (
          <fieldset className="mr-auto flex items-center gap-4 text-sm">
            <legend className="sr-only">What becomes of the positions that are there</legend>
            <Choice label="Add to the chart" checked={!replace} onChoose={() => setReplace(false)} />
            <Choice
              label={`Replace all ${train.positions.length} positions`}
              checked={replace}
              onChoose={() => setReplace(true)}
            />
          </fieldset>
        )}
        <button type="button" className="btn btn-sm" onClick={onClose}>
          Cancel
        </button>
        <button
          type="button"
          className="btn btn-neutral btn-sm"
          disabled={asked || read.rows.length === 0}
          onClick={() => {
            edits.take(read.rows, replace);
            onClose();
          }}
        >
          Apply {read.rows.length === 1 ? '1 position' : `${read.rows.length} positions`}
        </button>
      </DialogActions>
    </Dialog>
  );
}

/** Rows shown before they are taken over. */
const SHOWN = 8;

function Understood({ read, onAnswer }: { read: Pasted; onAnswer: (at: number, use: ColumnUse) => void }) {
  const train = useTrain((state) => state.train);
  return (
    <>
      <ul aria-label="Columns" className="mt-2 grid max-h-48 gap-x-6 gap-y-1 overflow-auto text-sm sm:grid-cols-2">
        {read.columns.map((column, i) => (
          <li key={i} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate" title={column.sample.join(', ')}>
              {column.head || `Column ${i + 1}`}
              {column.sample.length > 0 && <span className="muted"> ({column.sample.join(', ')})</span>}
            </span>
            <UseChoice name={column.head || `Column ${i + 1}`} use={column.use} onChoose={(use) => onAnswer(i, use)} />
          </li>
        ))}
      </ul>
      <table className="mt-3 text-sm" aria-label="What was understood">
        <thead className="muted text-left">
          <tr>
            <th className="pr-4 font-normal">Position</th>
            <th className="font-normal">Engaged</th>
          </tr>
        </thead>
        <tbody>
          {read.rows.slice(0, SHOWN).map(({ name, engaged }) => (
            <tr key={name}>
              <th className="pr-4 text-left font-semibold">{name}</th>
              <td>{engaged.length > 0 ? listed(engaged.map((id) => couplerName(train, id))) : 'nothing'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {read.rows.length > SHOWN && <p className="muted text-sm">and {read.rows.length - SHOWN} more</p>}
    </>
  );
}

function UseChoice({ name, use, onChoose }: { name: string; use: ColumnUse; onChoose: (use: ColumnUse) => void }) {
  const couplers = useTrain((state) => state.train.couplers);
  const unknown = use.kind === 'unknown';
  return (
    <select
      className={`select select-xs w-44 ${unknown ? 'border-error' : ''}`}
      aria-label={`What ${name} is`}
      aria-invalid={unknown}
      value={use.kind === 'coupler' ? `coupler ${use.coupler}` : use.kind}
      onChange={({ target: { value } }) =>
        onChoose(
          value.startsWith('coupler ')
            ? { kind: 'coupler', coupler: value.slice('coupler '.length) }
            : { kind: value as 'name' | 'left-out' },
        )
      }
    >
      {unknown && <option value="unknown">what is this?</option>}
      <option value="name">position’s name</option>
      <option value="left-out">left out</option>
      <optgroup label="engages">
        {couplers
          .filter((coupler) => !decidesForItself(coupler))
          .map((coupler) => (
            <option key={coupler.id} value={`coupler ${coupler.id}`}>
              {coupler.name || coupler.id}
            </option>
          ))}
      </optgroup>
    </select>
  );
}

function Choice({ label, checked, onChoose }: { label: string; checked: boolean; onChoose: () => void }) {
  return (
    <label className="flex cursor-pointer items-center gap-1.5">
      <input type="radio" name="replace" className="radio radio-xs" checked={checked} onChange={onChoose} />
      {label}
    </label>
  );
}

const sameUse = (a: ColumnUse, b: ColumnUse): boolean =>
  a.kind === b.kind && (a.kind === 'name' || (a.kind === 'coupler' && b.kind === 'coupler' && a.coupler === b.coupler));

/** Spreadsheets copy with tabs; a file of separated values has its own sign. */
const delimiterOf = (text: string): string => (text.includes('\t') ? '\t' : text.includes(';') ? ';' : ',');
