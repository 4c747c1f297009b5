import { broughtBy, importName } from '@/core/measurement';
import { refusalText } from '@/core/result';
import { useState } from 'react';
import { useTrain } from '@/features/train/use-train';
import { MEANINGS, readCsv, readingsOf } from '../csv';
import { KIND_ORDER, KINDS } from '../kinds';
import { useLog, useLogItself } from '../use-log';

interface Props {
  readonly file: { readonly name: string; readonly text: string };
  readonly onDone: (text: string, bad: boolean) => void;
  readonly onLeave: () => void;
}

/** A CSV file whose columns are asked about where their heads do not say what they are. */
export function ImportCsv({ file, onDone, onLeave }: Props) {
  const train = useTrain((state) => state.train);
  const { log } = useLogItself();
  const draft = useLog((state) => state.draft);
  const [table] = useState(() => readCsv(file.text));
  const [meant, setMeant] = useState(table.meant);
  const [kind, setKind] = useState(draft.kind);
  const take = async () => {
    const at = new Date().toISOString();
    const read = readingsOf(train, table, meant, { kind, member: draft.member });
    if (!read.ok) return onDone(refusalText(read), true);
    const answer = await log.add(
      read.value.map((reading) => ({
        id: reading.id,
        kind: 'reading' as const,
        document: broughtBy(reading, importName(file.name, at)),
      })),
    );
    onDone(answer.ok ? `${read.value.length} readings of ${file.name} are in the log.` : answer.message, !answer.ok);
  };
  return (
    <section aria-label="Columns of the file" className="flex flex-col gap-1 border-l-3 border-base-content pl-2">
      <p>
        {file.name}: {table.rows.length} rows. What is in its columns?
      </p>
      {table.head.map((head, i) => (
        <label key={i} className="flex items-center justify-between gap-2">
          <span className="truncate" title={head}>
            {head || `column ${i + 1}`}
          </span>
          <select
            className="select select-xs w-32"
            aria-label={`Meaning of ${head || `column ${i + 1}`}`}
            value={meant[i]}
            onChange={(event) => setMeant(meant.map((one, k) => (k === i ? event.target.value : one)))}
          >
            <option value="">left out</option>
            {[...new Set(['id', ...MEANINGS])].map((key) => (
              <option key={key} value={key}>
                {key}
              </option>
            ))}
          </select>
        </label>
      ))}
      {!meant.includes('kind') && (
        <label className="flex items-center justify-between gap-2">
          <span className="muted">All are</span>
          <select
            className="select select-xs w-32"
            value={kind}
            onChange={(event) => setKind(event.target.value as typeof kind)}
          >
            {KIND_ORDER.map((one) => (
              <option key={one} value={one}>
                {KINDS[one].name}
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="flex gap-2">
        <button type="button" className="btn btn-xs" onClick={() => void take()}>
          Log these readings
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={onLeave}>
          Cancel
        </button>
      </div>
    </section>
  );
}
