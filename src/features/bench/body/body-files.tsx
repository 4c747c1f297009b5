'use client';

import type { RefObject } from 'react';
import { useTrain } from '@/features/train/use-train';
import { DropDown } from '@/ui/drop-down';
import { fileName, saveFile } from '@/ui/save-file';

interface Props {
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly order: readonly string[] | null;
}

/** The body as a file. */
export function BodyFiles({ canvas }: Props) {
  const train = useTrain((state) => state.train);
  return (
    <DropDown word="Save" className="btn btn-ghost btn-xs">
      <button
        type="button"
        className="btn btn-sm"
        onClick={() =>
          canvas.current?.toBlob((png) => png && saveFile(fileName(`${train.name} body`, '.png'), 'image/png', png))
        }
      >
        Picture (PNG)
      </button>
    </DropDown>
  );
}
