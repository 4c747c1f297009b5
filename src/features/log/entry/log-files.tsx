import { FileDown } from 'lucide-react';
import { useState } from 'react';
import { entriesOfLog, importName, readLog, strangePositions, type Log } from '@/core/measurement';
import { refusalText } from '@/core/result';
import { listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { csvText } from '@/ui/table-text';
import { csvOf } from '../csv';
import { useJudgement, useLogItself } from '../use-log';
import { ImportCsv } from './import-csv';
import { Imports } from './imports';

type Told = { readonly text: string; readonly bad: boolean };

/** The log as a file, and readings out of files: JSON as it is kept, CSV for spreadsheets. */
export function LogFiles() {
  const { log: kept } = useJudgement();
  const { log } = useLogItself();
  const train = useTrain((state) => state.train);
  const [csv, setCsv] = useState<{ readonly name: string; readonly text: string } | null>(null);
  const [asked, setAsked] = useState<{
    readonly file: string;
    readonly log: Log;
    readonly strange: readonly string[];
  } | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const take = async (file: string, brought: Log) => {
    setAsked(null);
    const entries = entriesOfLog(brought, importName(file, new Date().toISOString()));
    const answer = entries.length > 0 ? await log.add(entries) : { ok: true as const, value: {} };
    setTold({
      text: answer.ok ? `${entries.length} entries of ${file} are in the log.` : answer.message,
      bad: !answer.ok,
    });
  };
  const openJson = async (file: File) => {
    const read = readLog(await file.text());
    if (!read.ok) return setTold({ text: `${file.name}: ${refusalText(read)}`, bad: true });
    const strange = strangePositions(read.value, train);
    if (strange.length > 0) return setAsked({ file: file.name, log: read.value, strange });
    await take(file.name, read.value);
  };
  const open = async (file: File) => {
    setTold(null);
    setAsked(null);
    if (/\.json$/i.test(file.name)) await openJson(file);
    else setCsv({ name: file.name, text: await file.text() });
  };
  return (
    <section aria-label="Files of the log" className="flex flex-col gap-1 border-t border-base-300 px-4 py-2">
      <div className="flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={() =>
            saveFile(fileName(`${train.name} log`, '.json'), 'application/json', `${JSON.stringify(kept, null, 1)}\n`)
          }
        >
          <FileDown className="size-3.5" aria-hidden /> JSON
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={() =>
            saveFile(fileName(`${train.name} log`, '.csv'), 'text/csv;charset=utf-8', csvText(csvOf(kept)))
          }
        >
          <FileDown className="size-3.5" aria-hidden /> CSV
        </button>
        <OpenFile word="Open a file" accept=".json,.csv,application/json,text/csv" onOpen={(file) => void open(file)} />
      </div>
      {asked && (
        <div role="alert" className="flex flex-col items-start gap-1 border-l-3 border-error pl-2">
          <p>
            {asked.file} names positions that this train does not have: {listed(asked.strange.slice(0, MOST_NAMED))}. It
            may be another train’s log.
          </p>
          <div className="flex gap-2">
            <button type="button" className="btn btn-xs" onClick={() => void take(asked.file, asked.log)}>
              Add it all the same
            </button>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(null)}>
              Cancel
            </button>
          </div>
        </div>
      )}
      {csv && (
        <ImportCsv
          key={csv.text}
          file={csv}
          onDone={(text, bad) => {
            setTold({ text, bad });
            if (!bad) setCsv(null);
          }}
          onLeave={() => setCsv(null)}
        />
      )}
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className={told.bad ? 'text-error' : undefined}>
          {told.text}
        </p>
      )}
      <Imports onDone={(text, bad) => setTold({ text, bad })} />
    </section>
  );
}

/** Strange positions that are named. */
const MOST_NAMED = 5;
