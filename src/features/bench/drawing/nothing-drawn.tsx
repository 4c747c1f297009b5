'use client';

import { useTrain, useNotice } from '@/features/train/use-train';
import { documents } from '@/features/train/documents';
import { memberName } from '@/core/words';
import { Add } from '../editing/add';
import { START_TEETH } from '../editing/start-teeth';
import { useEdit } from '../editing/use-edit';

/** Why there is no drawing, and for a train without a gear what to begin with. */
export function NothingDrawn({ why }: { why: string }) {
  const train = useTrain((state) => state.train);
  const say = useNotice();
  const edit = useEdit(say);
  return (
    <div className="m-auto flex max-w-md flex-col items-center gap-3 p-8 text-center">
      <p className="muted">{why}</p>
      {train.gears.length === 0 && (
        <>
          <p>
            Begin with a gear, a planetary set or a shaft. Then add what meshes with it, and so on from part to part.
          </p>
          <div role="group" aria-label="Begin" className="flex flex-wrap justify-center gap-2">
            {train.members.map(({ id }) => (
              <Add
                key={id}
                label={`Gear on ${memberName(train, id)}`}
                onAdd={async () => edit((await documents()).addGearOn(train, id, START_TEETH.first))}
              />
            ))}
            <Add
              label={`Planetary set, ${memberName(train, train.input)} as its sun`}
              onAdd={async () =>
                edit((await documents()).addSet(train, train.input, 'sun', START_TEETH.sun, START_TEETH.planet))
              }
            />
            <Add label="Shaft" onAdd={async () => edit((await documents()).addShaft(train))} />
          </div>
        </>
      )}
    </div>
  );
}
