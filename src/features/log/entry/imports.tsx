import { useState } from 'react';
import { importOf, type Log } from '@/core/measurement';
import { shortTimeText } from '@/ui/when';
import { useJudgement, useLogItself } from '../use-log';

interface Props {
  readonly onDone: (text: string, bad: boolean) => void;
}

/** What came out of files: each import can be taken back as one thing. */
export function Imports({ onDone }: Props) {
  const { log: kept } = useJudgement();
  const { log } = useLogItself();
  const [asked, setAsked] = useState<string | null>(null);
  const imports = importsOf(kept);
  if (imports.length === 0) return null;
  const takeBack = async (name: string) => {
    setAsked(null);
    const answer = await log.takeBack(name);
    onDone(answer.ok ? `What ${importOf(name).file} brought is out of the log.` : answer.message, !answer.ok);
  };
  return (
    <details>
      <summary className="cursor-pointer">
        {imports.length} {imports.length === 1 ? 'import' : 'imports'}
      </summary>
      <ul aria-label="Imports" className="flex flex-col gap-1 pt-1">
        {imports.map(([name, count]) => (
          <li key={name}>
            {importOf(name).file}, {shortTimeText(importOf(name).at)}: {readingsText(count)}{' '}
            {asked === name ? (
              <>
                and what was corrected of them.{' '}
                <button type="button" className="btn btn-xs" autoFocus onClick={() => void takeBack(name)}>
                  Take them out
                </button>{' '}
                <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(null)}>
                  Cancel
                </button>
              </>
            ) : (
              <button type="button" className="link" onClick={() => setAsked(name)}>
                Take it back…
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}

const readingsText = (count: number): string => `${count} ${count === 1 ? 'reading' : 'readings'}`;

/** Imports with how many readings each brought, the newest first. */
function importsOf({ readings }: Log): readonly (readonly [name: string, count: number])[] {
  const counts = new Map<string, number>();
  for (const { import: name } of readings) if (name !== undefined) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].reverse();
}
