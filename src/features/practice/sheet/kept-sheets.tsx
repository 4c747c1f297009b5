import { FileDown, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { worksheetText } from '@/core/practice';
import { Group } from '@/ui/form/inputs';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { deleteWorksheet, putWorksheet, readKeptWorksheet, readWorksheets, type KeptWorksheet } from '@/wire';
import { usePractice, usePracticeItself } from '../use-practice';
import { openSheetText } from './begin';

/** Worksheets that are kept on this installation, and worksheets as files. */
export function KeptSheets() {
  const { store } = usePracticeItself();
  const sheet = usePractice((state) => state.sheet);
  const [kept, setKept] = useState<readonly KeptWorksheet[]>([]);
  const [chosen, setChosen] = useState('');
  const tell = (text: string, bad = false) => store.getState().tell({ text, bad });
  const readAgain = async () => {
    const answer = await readWorksheets();
    if (answer.ok) setKept(answer.value.worksheets);
    else tell(answer.message, true);
  };
  useEffect(() => {
    let left = false;
    void readWorksheets().then((answer) => !left && answer.ok && setKept(answer.value.worksheets));
    return () => void (left = true);
  }, []);
  const open = async (key: string) => {
    setChosen(key);
    if (key === '') return;
    const answer = await readKeptWorksheet(key);
    const wrong = answer.ok ? openSheetText(store, JSON.stringify(answer.value.document)) : answer.message;
    if (wrong !== null) tell(wrong, true);
  };
  const keep = async () => {
    if (!sheet) return;
    const { name } = sheet.file;
    // Under the name of one that is kept, it takes its place.
    const key = kept.find((one) => one.name === name)?.id ?? crypto.randomUUID();
    const answer = await putWorksheet(key, name, sheet.file);
    tell(answer.ok ? `“${name}” is saved.` : answer.message, !answer.ok);
    if (!answer.ok) return;
    await readAgain();
    setChosen(key);
  };
  const forget = async () => {
    const answer = await deleteWorksheet(chosen);
    tell(answer.ok ? 'It is no longer kept.' : answer.message, !answer.ok);
    setChosen('');
    await readAgain();
  };
  const openFile = async (file: File) => {
    const wrong = openSheetText(store, await file.text());
    tell(wrong === null ? `${file.name} is open.` : `${file.name}: ${wrong}`, wrong !== null);
  };
  return (
    <Group name="Saved worksheets">
      <div className="flex items-center gap-1">
        <select
          className="select select-xs min-w-0 flex-1"
          aria-label="Open a saved worksheet"
          value={chosen}
          onChange={(event) => void open(event.target.value)}
        >
          <option value="">{kept.length === 0 ? 'none yet' : `${kept.length} kept`}</option>
          {kept.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Remove the saved worksheet"
          title="Remove the saved worksheet"
          disabled={chosen === ''}
          onClick={() => void forget()}
        >
          <Trash2 className="size-3.5" aria-hidden />
        </button>
        <button type="button" className="btn btn-xs" disabled={!sheet} onClick={() => void keep()}>
          Save
        </button>
      </div>
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          title="The questions and the trains they are about, to be opened elsewhere"
          disabled={!sheet}
          onClick={() =>
            sheet &&
            saveFile(fileName(sheet.file.name, '.worksheet.json'), 'application/json', worksheetText(sheet.file))
          }
        >
          <FileDown className="size-3.5" aria-hidden /> Save as a file
        </button>
        <OpenFile word="Open a file" accept=".json,application/json" onOpen={(file) => void openFile(file)} />
      </div>
    </Group>
  );
}
