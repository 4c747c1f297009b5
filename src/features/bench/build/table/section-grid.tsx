'use client';

import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import type { Cells, Column, PartRow, Section } from '@/core/parts-table';
import type { Highlight } from '@/features/train/highlight';
import { useLight, useTrain } from '@/features/train/use-train';
import { Cell } from './cell';
import { blockOf, draftSays, newRowsOf } from './fill';
import { GridRow } from './grid-row';
import { HEADS, SECTION_NAMES, type Head } from './heads';
import type { DraftRow } from './kept-rows';

interface Props {
  readonly section: Section;
  /** How the ids of the lists of members and couplers begin. */
  readonly offers: string;
  readonly rows: readonly PartRow[];
  readonly drafts: readonly DraftRow[];
  /** What is to be said of a row. */
  readonly said: RowSaid | null;
  readonly onFill: (row: number, column: Column, texts: readonly (readonly string[])[]) => void;
  readonly onRemove: (rows: readonly number[]) => void;
  readonly onMove: (row: number, by: number) => void;
}

/** What is to be said of a row beside what it says of itself. */
export interface RowSaid {
  readonly row: number;
  readonly message: string;
  readonly wrong: boolean;
}

/** One kind of parts, a row each; below them rows that are not whole yet, and an empty one to begin in. */
export function SectionGrid({ section, offers, rows, drafts, said, onFill, onRemove, onMove }: Props) {
  const train = useTrain((state) => state.train);
  const lit = useTrain((state) => state.highlight);
  const light = useLight();
  const [chosen, setChosen] = useState<readonly number[]>([]);
  // A row is read by the grammar; what is pointed at changes far more often than what is typed.
  const waiting = useMemo(
    () => drafts.map((draft) => ({ draft, says: draftSays(train, section, draft) })),
    [train, section, drafts],
  );
  const newRows = newRowsOf(drafts);
  const heads = HEADS[section];
  // Wheels come with their sets and pairs: no row is begun here.
  const begins = section === 'wheels' ? [] : [{}];
  const lines: Cells[] = [
    ...rows.map(({ id, cells }) => ({ ...cells, ...drafts.find(({ of }) => of === id)?.cells })),
    ...newRows.map(({ cells }) => cells),
    ...begins,
  ];
  const own = (i: number): Omit<RowSaid, 'row'> => {
    const row = rows[i];
    const found = waiting.find(({ draft }) => (row ? draft.of === row.id : draft === newRows[i - rows.length]));
    return { message: found?.says ?? '', wrong: row !== undefined && found !== undefined };
  };
  const isLit = (row: PartRow | undefined) => row !== undefined && lit !== null && pointsAtRow(section, row, lit);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const moved = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(Number(active.id), Number(over.id) - Number(active.id));
  };
  const choose = (row: number, further: boolean) => {
    const [first = row] = chosen;
    const [from, to] = [Math.min(first, row), Math.max(first, row)];
    setChosen(further ? Array.from({ length: to - from + 1 }, (_, i) => from + i) : [row]);
  };
  return (
    <section aria-label={SECTION_NAMES[section]} className="mb-4">
      <h3 className="mb-1 text-sm font-semibold">{SECTION_NAMES[section]}</h3>
      {heads.map(({ column, offers: words }) =>
        Array.isArray(words) ? (
          <Offers key={column} id={`${offers}-${section}-${column}`} names={words as string[]} />
        ) : null,
      )}
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={moved}>
        <table
          className="border-collapse text-sm"
          role="grid"
          aria-label={SECTION_NAMES[section]}
          onCopy={(event) => {
            // A row whose number has the focus is copied whole, and so are those chosen with it.
            const row = rowNumberOf(event.target);
            if (row === null) return;
            event.preventDefault();
            const copied = chosen.includes(row) ? chosen : [row];
            event.clipboardData.setData('text/plain', copied.map((i) => textOf(heads, lines[i] ?? {})).join('\n'));
          }}
        >
          <thead>
            <tr>
              <th className="w-8">
                <span className="sr-only">Row</span>
              </th>
              {heads.map(({ column, head, width }) => (
                <th
                  key={column}
                  style={{ minWidth: width }}
                  className="muted px-1.5 text-left font-normal whitespace-nowrap"
                >
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map((cells, i) => {
              const row = rows[i];
              const says = said?.row === i ? said : own(i);
              return (
                <GridRow
                  key={i}
                  name={`${SECTION_NAMES[section]}, row ${i + 1}`}
                  says={says.message}
                  wrong={says.wrong}
                  span={heads.length}
                  lit={isLit(row)}
                  chosen={chosen.includes(i)}
                  number={i < lines.length - begins.length ? i + 1 : null}
                  at={i}
                  onChoose={(further) => choose(i, further)}
                  onRemove={() => {
                    onRemove(chosen.includes(i) ? chosen : [i]);
                    setChosen([]);
                  }}
                  onMove={(by) => onMove(i, by)}
                  onPoint={(over) => light(over && row ? partsIn(section, row) : null)}
                >
                  {heads.map(({ column, head, width, offers: words }) => (
                    <td key={column} className="border border-base-300 p-0" style={{ minWidth: width }}>
                      <Cell
                        label={`${head}, ${SECTION_NAMES[section].toLowerCase()} row ${i + 1}`}
                        value={cells[column] ?? ''}
                        taken={row?.cells[column] ?? ''}
                        waits={row === undefined}
                        list={words && `${offers}-${typeof words === 'string' ? words : `${section}-${column}`}`}
                        onCommit={(text) => onFill(i, column, [[text]])}
                        onFillDown={(text) =>
                          onFill(i, column, Array<string[]>(Math.max(1, rows.length - i)).fill([text]))
                        }
                        onPaste={(text) => {
                          const block = blockOf(text);
                          if (block) onFill(i, column, block);
                          return block !== null;
                        }}
                      />
                    </td>
                  ))}
                </GridRow>
              );
            })}
          </tbody>
        </table>
      </DndContext>
    </section>
  );
}

/** What is pointed at with a row: its gears, or its coupler, or its member. */
const partsIn = (section: Section, { gears, couplers, members }: PartRow): Partial<Highlight> =>
  section === 'members' ? { members } : { gears, couplers };

/** Is what is pointed at anywhere in this row? A gear is in one or two, a member in many. */
function pointsAtRow(section: Section, row: PartRow, lit: Highlight): boolean {
  if (section === 'couplers' || section === 'positions') return row.couplers.some((id) => lit.couplers.includes(id));
  if (section === 'members') return row.members.some((id) => lit.members.includes(id));
  return lit.gears.length > 0
    ? row.gears.some((id) => lit.gears.includes(id))
    : row.members.some((id) => lit.members.includes(id));
}

/** The row whose number this is; null of anything else. */
function rowNumberOf(target: EventTarget): number | null {
  const at = target instanceof Element ? target.closest('[data-row]')?.getAttribute('data-row') : null;
  return at === null || at === undefined ? null : Number(at);
}

const textOf = (heads: readonly Head[], cells: Cells): string =>
  heads.map(({ column }) => cells[column] ?? '').join('\t');

/** A list of words that cells offer. */
export const Offers = ({ id, names }: { id: string; names: readonly string[] }) => (
  <datalist id={id}>
    {names.map((name) => (
      <option key={name} value={name} />
    ))}
  </datalist>
);
