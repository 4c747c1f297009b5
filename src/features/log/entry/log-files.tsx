import { FileDown } from 'lucide-react';
import { useState } from 'react';
import { entriesOfLog, readLog } from '@/core/measurement';
import { useTrain } from '@/features/train/use-train';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { csvText } from '@/ui/table-text';
import { csvOf } from '../csv';
import { useJudgement, useLogItself } from '../use-log';
import { ImportCsv } from './import-csv';
import { refusalText } from '@/core/result';

/** The log as a file, and readings out of files: JSON as it is kept, CSV for spreadsheets. */
export function LogFiles() {
  const { log: kept } = useJudgement();
  const { log } = useLogItself();
  const name = useTrain((state) => state.train.name);
  const [csv, setCsv] = useState<{ readonly name: string; readonly text: string } | null>(null);
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const openJson = async (file: File) => {
    const read = readLog(await file.text());
    if (!read.ok) return setTold({ text: `${file.name}: ${refusalText(read)}`, bad: true });
    const entries = entriesOfLog(read.value);
    const answer = entries.length > 0 ? await log.add(entries) : { ok: true as const, value: {} };
    setTold({
      text: answer.ok ? `${entries.length} entries of ${file.name} are in the log.` : answer.message,
      bad: !answer.ok,
    });
  };
  const open = async (file: File) => {
    setTold(null);
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
            saveFile(fileName(`${name} log`, '.json'), 'application/json', `${JSON.stringify(kept, null, 1)}\n`)
          }
        >
          <FileDown className="size-3.5" aria-hidden /> JSON
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={() => saveFile(fileName(`${name} log`, '.csv'), 'text/csv;charset=utf-8', csvText(csvOf(kept)))}
        >
          <FileDown className="size-3.5" aria-hidden /> CSV
        </button>
        <OpenFile word="Open a file" accept=".json,.csv,application/json,text/csv" onOpen={(file) => void open(file)} />
      </div>
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
    </section>
  );
}
