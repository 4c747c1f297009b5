import { FileCode, FileText, Printer } from 'lucide-react';
import { SECTIONS, type SectionKey } from '@/core/sheet';
import { memberName } from '@/core/words';
import { stationsOf } from '@/features/train/side-views';
import { useTrain } from '@/features/train/use-train';
import { TextInput, Group, Pick, Tick } from '@/ui/form/inputs';
import { fileName, saveFile } from '@/ui/save-file';
import { sheetMarkdown } from '@/figures/sheet/markdown';
import { sheetPage } from '@/figures/sheet/sheet-css';
import { BeginAnew } from '@/ui/begin-anew';
import { useSheet, useSheetItself } from '../use-sheet';
import { PAPER } from './paper';
import { usePaper } from './use-paper';

const STYLES = { sheet: 'Sheet', notebook: 'Notebook' } as const;
const PAPERS = { A4: 'A4', Letter: 'Letter' } as const;

/** What is on the sheet, its title block, and how it leaves. */
export function PaperSetup() {
  const train = useTrain((state) => state.train);
  const state = useSheet((all) => all);
  const { sheet } = usePaper();
  const { draft } = useSheetItself();
  const toggle = (key: SectionKey, on: boolean) =>
    state.set({ sections: on ? [...state.sections, key] : state.sections.filter((one) => one !== key) });
  const stations = stationsOf(train);
  const saveHtml = () => {
    const paper = document.getElementById(PAPER)?.innerHTML ?? '';
    saveFile(fileName(train.name, '.sheet.html'), 'text/html', sheetPage(train.name, paper));
  };
  return (
    <>
      <Group name="What is on it">
        {(Object.keys(SECTIONS) as SectionKey[]).map((key) => (
          <Tick
            key={key}
            label={SECTIONS[key]}
            checked={state.sections.includes(key)}
            onChange={(on) => toggle(key, on)}
          />
        ))}
        {state.sections.includes('end-views') && stations.length > 1 && (
          <details>
            <summary className="cursor-pointer">
              {stations.length - state.without.length} of {stations.length} stations
            </summary>
            {stations.map(({ key, wheels }) => (
              <Tick
                key={key}
                label={[...new Set(wheels.map(({ teeth, member }) => `${teeth} on ${memberName(train, member)}`))].join(
                  ', ',
                )}
                checked={!state.without.includes(key)}
                onChange={(on) =>
                  state.set({ without: on ? state.without.filter((one) => one !== key) : [...state.without, key] })
                }
              />
            ))}
          </details>
        )}
      </Group>
      <Group name="Title block">
        <TextInput label="By" wide value={state.by} onChange={(by) => state.set({ by })} />
        <TextInput
          label="Revision"
          wide
          value={state.revision}
          placeholder="as saved"
          onChange={(revision) => state.set({ revision })}
        />
        <Pick
          label="Style"
          value={state.style}
          choices={STYLES}
          title="A notebook derives every position three ways, with room for remarks; tick Working"
          onChange={(style) =>
            state.set({
              style,
              ...(style === 'notebook' &&
                !state.sections.includes('working') && { sections: [...state.sections, 'working' as const] }),
            })
          }
        />
        <Pick label="Paper" value={state.paper} choices={PAPERS} onChange={(paper) => state.set({ paper })} />
      </Group>
      <Group name="Print and export">
        <button type="button" className="btn btn-sm btn-accent self-start" onClick={() => print()}>
          <Printer className="size-4" aria-hidden /> Print, or save as PDF
        </button>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn btn-ghost btn-xs" onClick={saveHtml}>
            <FileCode className="size-3.5" aria-hidden /> HTML
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            onClick={() => saveFile(fileName(train.name, '.sheet.md'), 'text/markdown', sheetMarkdown(sheet))}
          >
            <FileText className="size-3.5" aria-hidden /> Markdown
          </button>
        </div>
        <p className="muted">
          Figures are for the input speed and torque typed on the Bench. Print at 100 %, without fitting to the page:
          then the end views can be measured.
        </p>
        <BeginAnew draft={draft} />
      </Group>
    </>
  );
}
