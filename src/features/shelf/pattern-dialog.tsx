'use client';

import { readFigure } from '@/core/units';
import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Edit, Train } from '@/core/train';
import { buildPattern, PATTERNS, type PatternQuestion, type Pattern } from '@/core/patterns';
import { Dialog, DialogActions } from '@/ui/dialog';
import { postTrain } from '@/wire';
import { TrainPreview } from './preview';
import { PreviewDrawing } from './preview-drawing';
import { itemAt } from '@/core/required';
import { usePartWords } from '@/ui/part-words';
import { readWritten, writeTrain, type WrittenTrain } from '@/core/written-form';
import { keepText, recallText } from '@/ui/written/kept-text';
import { WrittenField } from './written-field';

/** What is written of a train that is not there yet is kept under this. */
const NEW = 'new';

const editOf = ({ train, problems: [first] }: WrittenTrain): Edit =>
  train ? { ok: true, train } : { ok: false, message: first?.message ?? '' };

/** A train in writing to begin with; one that is still called as its pattern gets no name from that. */
const textOf = (train: Train, name: string): string => writeTrain({ ...train, name: name || 'New train' });

/** The parts of a new train in the words that were chosen: from then on they are its own names. */
function namedIn(told: (text: string) => string, built: Edit): Edit {
  if (!built.ok) return built;
  const named = <P extends { readonly name: string }>(parts: readonly P[]): P[] =>
    parts.map((part) => ({ ...part, name: told(part.name) }));
  const { members, couplers } = built.train;
  return { ok: true, train: { ...built.train, members: named(members), couplers: named(couplers) } };
}

/** The short form of a new train, with a drawing and figures that follow what is typed. */
export function PatternDialog({ onClose, onAdded }: { onClose: () => void; onAdded: (name: string) => void }) {
  const [pattern, setPattern] = useState<Pattern>(itemAt(PATTERNS, 0));
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [name, setName] = useState('');
  /** What is written, in place of a pattern; null while a pattern is chosen. */
  const [text, setText] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const told = usePartWords();
  const fromPattern = useMemo(
    () => namedIn(told, buildPattern(pattern, name || told(pattern.called ?? pattern.title), numbers(typed))),
    [pattern, name, typed, told],
  );
  const read = useMemo(() => (text === null ? null : readWritten(text)), [text]);
  const built = read ? editOf(read) : fromPattern;
  const shown = built.ok ? built.train : (read?.shown ?? null);
  const router = useRouter();
  const write = (now: string) => {
    setText(now);
    keepText(NEW, { text: now, of: '' });
  };
  const add = async (then: (id: string, name: string) => void) => {
    if (!built.ok) return;
    const answer = await postTrain(built.train);
    if (!answer.ok) return setMessage(answer.message);
    if (text !== null) keepText(NEW, null);
    then(answer.value.id, built.train.name);
  };
  /** On the Bench, with its parts as tables or in writing below the drawing where that is wanted. */
  const open = (as: '' | '#table' | '#text') => void add((id) => router.push(`/trains/${id}${as}`));
  return (
    <Dialog title="New train" wide onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          open(text === null ? '' : '#text');
        }}
      >
        <div className="mt-3 grid gap-5 sm:grid-cols-[12rem_1fr]">
          <div role="radiogroup" aria-label="Pattern" className="flex flex-col gap-0.5">
            {PATTERNS.map((one) => (
              <label
                key={one.key}
                className={clsx(
                  'cursor-pointer px-2 py-1 text-sm has-focus-visible:outline-2 has-focus-visible:outline-accent',
                  one === pattern && text === null ? 'bg-neutral text-neutral-content' : 'hover:bg-base-200',
                )}
              >
                <input
                  type="radio"
                  name="pattern"
                  className="sr-only"
                  checked={one === pattern && text === null}
                  onChange={() => {
                    setText(null);
                    setPattern(one);
                    setTyped({});
                  }}
                />
                {told(one.title)}
              </label>
            ))}
            <label
              className={clsx(
                'mt-2 cursor-pointer border-t border-base-300 px-2 py-1 text-sm',
                'has-focus-visible:outline-2 has-focus-visible:outline-accent',
                text === null ? 'hover:bg-base-200' : 'bg-neutral text-neutral-content',
              )}
            >
              <input
                type="radio"
                name="pattern"
                className="sr-only"
                checked={text !== null}
                onChange={() => setText(recallText(NEW)?.text ?? (built.ok ? textOf(built.train, name) : ''))}
              />
              Paste or write
            </label>
          </div>
          <div className="flex min-w-0 flex-col gap-2">
            {text === null ? (
              <>
                <p className="text-sm">{told(pattern.says)}</p>
                <Field
                  label="Name"
                  value={name}
                  placeholder={told(pattern.called ?? pattern.title)}
                  onChange={setName}
                />
                {pattern.asks.map((ask) => (
                  <AskField
                    key={ask.key}
                    ask={ask}
                    value={typed[ask.key]}
                    onChange={(answer) => setTyped({ ...typed, [ask.key]: answer })}
                  />
                ))}
                {!built.ok && (
                  <p role="alert" className="text-sm text-error">
                    {told(built.message)}
                  </p>
                )}
              </>
            ) : (
              read && <WrittenField text={text} read={read} onType={write} />
            )}
            {message && (
              <p role="alert" className="text-sm text-error">
                {message}
              </p>
            )}
            <div className="mt-1 grid h-36 place-items-center border border-base-300">
              {shown ? (
                <PreviewDrawing train={shown} />
              ) : (
                <p className="muted px-4 text-sm">The drawing comes back when the counts are right.</p>
              )}
            </div>
            {built.ok && <TrainPreview train={built.train} />}
          </div>
        </div>
        <DialogActions>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={!built.ok}
            onClick={() => void add((_, added) => onAdded(added))}
          >
            Add to shelf
          </button>
          <button type="button" className="btn btn-sm" disabled={!built.ok} onClick={() => open('#table')}>
            Open as tables
          </button>
          <button type="button" className="btn btn-sm" disabled={!built.ok} onClick={() => open('#text')}>
            Open in writing
          </button>
          <button type="submit" className="btn btn-neutral btn-sm" disabled={!built.ok}>
            Open it on the Bench
          </button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

const AskField = ({
  ask,
  value,
  onChange,
}: {
  ask: PatternQuestion;
  value: string | undefined;
  onChange: (text: string) => void;
}) => <Field label={usePartWords()(ask.label)} value={value ?? String(ask.start)} numeric onChange={onChange} />;

function Field({
  label,
  value,
  placeholder,
  numeric = false,
  onChange,
}: {
  label: string;
  value: string;
  placeholder?: string;
  numeric?: boolean;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-3 text-sm">
      <span>{label}</span>
      <input
        className={clsx('input input-sm w-44', numeric && 'figure')}
        inputMode={numeric ? 'decimal' : undefined}
        placeholder={placeholder}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

/** What was typed as numbers; an empty or odd text is no number, and the pattern refuses it by name. */
const numbers = (typed: Readonly<Record<string, string>>): Record<string, number> =>
  Object.fromEntries(Object.entries(typed).map(([key, text]) => [key, readFigure(text)]));
