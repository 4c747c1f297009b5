'use client';

import { useState } from 'react';
import { toothPhases } from '@/core/end-view';
import { serialiseTrain, partsById } from '@/core/train';
import { writeTrain } from '@/core/written-form';
import { useLoads, useScale } from '@/features/train/input/loads';
import { useTrain, useNow } from '@/features/train/use-train';
import { Dialog, DialogActions } from '@/ui/dialog';
import { pngOf } from '@/ui/picture/png';
import { usePreferences } from '@/ui/preferences';
import { fileName, saveFile } from '@/ui/save-file';
import { csvText } from '@/ui/table-text';
import { currentTurns } from '../crank/turns';
import { colorsOf, useEngagedMeshes, useInks } from '../end-view/inks';
import { useBench, useBenchItself, useStations } from '../use-bench';
import { endViewSvg, sideViewSvg } from './pictures';
import { figuresFile, figuresPage, workingFile, workingPage, type Written } from './tables';

/**
 * What can be taken out of the Bench as a file: the train itself, its figures and working, and pictures of both views.
 */
export function FilesDialog({ onClose }: { onClose: () => void }) {
  const train = useTrain((state) => state.train);
  const now = useNow();
  const [flow, losses] = [useTrain((state) => state.flow), useTrain((state) => state.losses)];
  const convention = usePreferences((state) => state.convention);
  const typed = useScale();
  const loads = useLoads();
  const [all, setAll] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const endView = useEndViewPicture();
  const position = partsById(train).find.position(now.positionId);
  const written: Written = {
    train,
    flow,
    losses,
    convention,
    typed,
    loads,
    positions: all ? train.positions : [{ name: position?.name ?? 'custom', engaged: now.engaged }],
  };
  const here = all ? 'all positions' : position ? `position ${position.name}` : 'custom';
  const save =
    (what: string, ending: string, type: string, make: () => string | Blob | null | Promise<string | Blob | null>) =>
    async () => {
      try {
        const content = await make();
        if (content === null) return setMessage('There is no drawing to save yet.');
        const name = fileName([train.name, what].filter(Boolean).join(' '), ending);
        saveFile(name, type, content);
        setMessage(`${name} is saved.`);
      } catch (error) {
        setMessage((error as Error).message);
      }
    };
  const sideView = () => sideViewSvg(`${train.name}, side view`);
  return (
    <Dialog title="Save as a file" onClose={onClose}>
      <fieldset className="mt-2 flex gap-5 text-sm">
        <legend className="sr-only">Figures and working of</legend>
        {[false, true].map((choice) => (
          <label key={String(choice)} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="positions"
              className="radio radio-xs"
              checked={all === choice}
              onChange={() => setAll(choice)}
              disabled={choice && train.positions.length === 0}
            />
            {choice ? 'All positions' : position ? `Position ${position.name}` : 'What is engaged'}
          </label>
        ))}
      </fieldset>
      <table className="mt-2 w-full text-sm [&_td]:py-1 [&_tr]:border-t [&_tr]:border-base-300">
        <tbody>
          <FileRow
            what="The train"
            says="to open again here, or elsewhere"
            files={{
              JSON: save('', '.train.json', 'application/json', () => serialiseTrain(train)),
              Text: save('', '.train.txt', 'text/plain', () => writeTrain(train)),
            }}
          />
          <FileRow
            what="Figures"
            says={here}
            files={{
              CSV: save(`figures ${here}`, '.csv', 'text/csv', () => csvText(figuresFile(written))),
              Markdown: save(`figures ${here}`, '.md', 'text/markdown', () => figuresPage(written)),
            }}
          />
          <FileRow
            what="Working"
            says={here}
            files={{
              CSV: save(`working ${here}`, '.csv', 'text/csv', () => csvText(workingFile(written))),
              Markdown: save(`working ${here}`, '.md', 'text/markdown', () => workingPage(written)),
            }}
          />
          <FileRow
            what="Side view"
            says="as it stands"
            files={{
              SVG: save('side view', '.svg', 'image/svg+xml', sideView),
              PNG: save('side view', '.png', 'image/png', async () => pngOrNothing(await sideView())),
            }}
          />
          <FileRow
            what="End view"
            says="as it stands"
            files={{
              SVG: save('end view', '.svg', 'image/svg+xml', endView),
              PNG: save('end view', '.png', 'image/png', async () => pngOrNothing(endView())),
            }}
          />
        </tbody>
      </table>
      <DialogActions>
        <p role="status" className="mr-auto self-center text-sm">
          {message}
        </p>
        <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={onClose}>
          Close
        </button>
      </DialogActions>
    </Dialog>
  );
}

function FileRow({
  what,
  says,
  files,
}: {
  what: string;
  says: string;
  files: Readonly<Record<string, () => Promise<void>>>;
}) {
  return (
    <tr>
      <th scope="row" className="pr-3 text-left font-semibold">
        {what}
      </th>
      <td className="muted pr-3">{says}</td>
      <td className="flex flex-col items-end gap-1.5 sm:flex-row sm:justify-end">
        {Object.entries(files).map(([kind, onSave]) => (
          <button
            key={kind}
            type="button"
            className="btn btn-xs w-20"
            aria-label={`${what} as ${kind}`}
            onClick={() => void onSave()}
          >
            {kind}
          </button>
        ))}
      </td>
    </tr>
  );
}

const pngOrNothing = async (svg: string | null): Promise<Blob | null> => (svg === null ? null : pngOf(svg));

const NO_STATION = {
  key: '',
  figure: '',
  wheels: [],
  meshes: [],
  chains: [],
  bounds: { left: 0, right: 1, top: 0, bottom: 1 },
} as const;

/** The end view at the station that is shown, as it stands now. */
function useEndViewPicture(): () => string | null {
  const stations = useStations();
  const shown = useBench((state) => Math.min(state.station, stations.length - 1));
  const name = useTrain((state) => state.train.name);
  const bench = useBenchItself();
  const station = stations[shown] ?? NO_STATION;
  const inks = useInks(station);
  const meshes = useEngagedMeshes(station);
  return () => {
    if (station === NO_STATION) return null;
    const turns = currentTurns(bench);
    const [colors, paper] = colorsOf(inks);
    return endViewSvg(`${name}, end view at station ${shown + 1}`, {
      station,
      phases: toothPhases(station.wheels, meshes, turns),
      turns,
      inks: colors,
      paper,
    });
  };
}
