'use client';

import { useState } from 'react';
import { refusalText } from '@/core/result';
import { FRAME } from '@/core/train';
import { useNow, useTrain } from '@/features/train/use-train';
import { paperColor } from '@/figures/member-colors';
import { DropDown } from '@/ui/drop-down';
import { fileName, saveFile } from '@/ui/save-file';
import { jobRunner } from '@/workers/beside';
import type { BodyScene } from './scene';
import { useBodyViewItself } from './view';

interface Props {
  /** Null where there is none to take a picture of. */
  readonly scene: BodyScene | null;
  readonly order: readonly string[];
}

const FORMATS = [
  { format: 'glb', word: 'Assembly that turns (glTF)', ending: '.glb', type: 'model/gltf-binary' },
  { format: 'stl', word: 'Solids in place (STL, zip)', ending: '.zip', type: 'application/zip' },
] as const;

/** The body as a file. */
export function BodyFiles({ scene, order }: Props) {
  const view = useBodyViewItself();
  const train = useTrain((state) => state.train);
  const { engaged } = useNow();
  const [said, setSaid] = useState<string | null>(null);
  const [runner] = useState(() => jobRunner('bodyFile'));
  const save = async ({ format, ending, type }: (typeof FORMATS)[number]) => {
    setSaid('The file is being made…');
    const colors = Object.fromEntries(
      [...train.members.map(({ id }) => id as string), FRAME].map((id) => [id, paperColor(train, id)]),
    );
    const state = await runner.begin({ train, order, engaged: [...engaged], format, colors });
    if (state?.kind === 'failed') return setSaid(state.message);
    if (state?.kind !== 'done') return setSaid(null);
    if (!state.value.ok) return setSaid(refusalText(state.value));
    const name = fileName(`${train.name} body`, ending);
    saveFile(name, type, new Blob([state.value.value as BlobPart], { type }));
    setSaid(`${name} is saved.`);
  };
  const picture = async (from: BodyScene) => {
    const png = await from.picture(view.getState().looks);
    const name = fileName(`${train.name} body`, '.png');
    if (png) saveFile(name, 'image/png', png);
    setSaid(png ? `${name} is saved.` : 'This browser gives no picture of it.');
  };
  return (
    <DropDown word="Save" title="The body as a file" className="btn btn-ghost btn-xs">
      {scene && (
        <button type="button" className="btn btn-sm" onClick={() => void picture(scene)}>
          Picture (PNG)
        </button>
      )}
      {FORMATS.map((one) => (
        <button key={one.format} type="button" className="btn btn-sm" onClick={() => void save(one)}>
          {one.word}
        </button>
      ))}
      <p className="max-w-60 text-sm" role="status">
        {said}
      </p>
    </DropDown>
  );
}
