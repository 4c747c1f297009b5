import { Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { postPerson, postAnswersAside, deletePerson, unreadableAnswersAddress } from '@/wire';
import { Dialog, DialogActions } from '@/ui/dialog';
import { usePractice, usePracticeItself } from '../use-practice';
import { takeUp, usePeople } from './use-people';
import { required } from '@/core/required';

/** Who practises: a name on this installation, picked from a list or added to it. */
export function Who() {
  usePeople();
  const { store } = usePracticeItself();
  const people = usePractice((state) => state.people);
  const person = usePractice((state) => state.person);
  const [name, setName] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  const [removing, setRemoving] = useState(false);
  const choice = useRef<HTMLSelectElement>(null);
  const known = people ?? [];
  const chosen = known.find(({ id }) => id === person);
  const add = async () => {
    const own = { id: crypto.randomUUID(), name: name.trim() };
    const answer = own.name === '' ? { ok: false as const, message: 'Type a name first.' } : await postPerson(own);
    setMessage(answer.ok ? null : answer.message);
    if (!answer.ok) return;
    setName('');
    store.getState().list([...known, own].sort((a, b) => a.name.localeCompare(b.name)));
    // The field that was typed in goes away; whoever has gone on meanwhile is left where they are.
    if (document.activeElement?.closest('[data-new-name]')) choice.current?.focus();
    await takeUp(store, own.id);
  };
  const remove = async () => {
    setRemoving(false);
    const answer = await deletePerson(required(person));
    if (!answer.ok) return setMessage(answer.message);
    store.getState().list(known.filter(({ id }) => id !== person));
    await takeUp(store, null);
  };
  return (
    <section aria-label="Who practises" className="flex flex-col gap-1 px-4 py-2 text-sm">
      <div className="flex items-center justify-between gap-2">
        <label className="flex flex-1 items-center justify-between gap-2">
          <span className="font-semibold">Who practises</span>
          <select
            ref={choice}
            className="select select-xs w-32"
            value={person ?? ''}
            onChange={(event) => void takeUp(store, event.target.value || null)}
          >
            <option value="">nobody: not saved</option>
            {known.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Remove this name"
          title="Remove this name"
          disabled={!chosen}
          onClick={() => setRemoving(true)}
        >
          <Trash2 className="size-3.5" aria-hidden />
        </button>
      </div>
      {person === null && (
        <form
          data-new-name
          className="flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          <input
            className="input input-xs min-w-0 flex-1"
            aria-label="A new name"
            placeholder="A new name, to keep what you answer"
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="btn btn-xs">
            Add
          </button>
        </form>
      )}
      {message && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
      <UnreadableAnswers />
      {removing && chosen && (
        <Dialog title={`Remove ${chosen.name}?`} onClose={() => setRemoving(false)}>
          <p>All that was answered under this name goes with it, for good.</p>
          <DialogActions>
            <button type="button" className="btn btn-sm" onClick={() => setRemoving(false)}>
              Save
            </button>
            <button type="button" className="btn btn-sm btn-error" onClick={() => void remove()}>
              Remove
            </button>
          </DialogActions>
        </Dialog>
      )}
    </section>
  );
}

/** Answers that are kept and do not read: they are not counted, and can be had as they are. */
function UnreadableAnswers() {
  const { store } = usePracticeItself();
  const person = usePractice((state) => state.person);
  const count = usePractice((state) => state.unreadableAnswers);
  if (person === null || count === 0) return null;
  const putAside = async () => {
    const answer = await postAnswersAside(person);
    const { answers, putAnswers, refuse } = store.getState();
    if (answer.ok) putAnswers(answers, 0);
    else refuse(answer.message);
  };
  return (
    <p role="alert" className="text-error">
      {count === 1 ? '1 answer' : `${count} answers`} kept under this name cannot be read and{' '}
      {count === 1 ? 'is' : 'are'} not counted.{' '}
      <a className="link" href={unreadableAnswersAddress(person)} download>
        Save as kept
      </a>{' '}
      <button type="button" className="link" onClick={() => void putAside()}>
        Put aside
      </button>
    </p>
  );
}
