import clsx from 'clsx';
import { NO_PAIR, type RoleCell, type RolesRow } from '@/core/practice';
import type { Train } from '@/core/train';
import { couplerName } from '@/core/words';
import type { OpenSheet } from '../store';
import { usePracticeItself } from '../use-practice';
import { fillIn, markItems, markOf } from './begin';
import { roleCellKey } from './items';
import { MarkWords } from './question-line';
import { partsById } from '@/core/train';
import { itemAt } from '@/core/required';

interface Props {
  readonly open: OpenSheet;
  readonly table: number;
  readonly rows: readonly RolesRow[];
}

/**
 * The roles table to be filled in: for every position its pairs, who drives whom, their ratios and what they come to.
 */
export function RolesTable({ open, table, rows }: Props) {
  const { train } = itemAt(open.sheet.trains, itemAt(open.sheet.tables, table).train);
  const pairs = rows[0]?.stages.length ?? 0;
  return (
    <table aria-label="Roles" className="w-full max-w-5xl text-sm">
      <caption className="text-left">
        Where does power go, and what does it come to? Ratios are in/out; where there is no further pair, say so.
      </caption>
      <thead>
        <tr className="border-b border-base-content text-left">
          <th scope="col">Position</th>
          {pairs > 1 && (
            <th scope="col" className="px-2">
              Pair
            </th>
          )}
          <th scope="col">Driver</th>
          <th scope="col">Driven</th>
          <th scope="col">Ratio</th>
          <th scope="col">Overall</th>
        </tr>
      </thead>
      {rows.map(({ position, name, stages, overall }) => (
        <tbody key={position} className="break-inside-avoid border-b border-base-300">
          {(stages.length > 0 ? stages : [null]).map((stage, i) => (
            <tr key={i}>
              {i === 0 && (
                <th scope="rowgroup" rowSpan={Math.max(1, stages.length)} className="pr-2 text-left align-top">
                  {name}
                  <span className="muted block font-normal">{engagedIn(train, position)}</span>
                </th>
              )}
              {pairs > 1 && <td className="px-2 align-top">{i + 1}</td>}
              {stage ? (
                <>
                  <CellField open={open} table={table} cell={stage.driver} label={`${name} pair ${i + 1} driver`} />
                  <CellField open={open} table={table} cell={stage.driven} label={`${name} pair ${i + 1} driven`} />
                  {stage.ratio ? (
                    <CellField open={open} table={table} cell={stage.ratio} label={`${name} pair ${i + 1} ratio`} />
                  ) : (
                    // It looks like the others, for whether there is a pair is what is asked.
                    <td className="py-0.5">
                      <input className="input input-xs figure w-20" aria-label={`${name} pair ${i + 1} ratio`} />
                    </td>
                  )}
                </>
              ) : (
                <td colSpan={3} />
              )}
              {i === 0 && (
                <CellField
                  open={open}
                  table={table}
                  cell={overall}
                  label={`${name} overall`}
                  rows={Math.max(1, stages.length)}
                />
              )}
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  );
}

const engagedIn = (train: Train, position: string): string =>
  partsById(train)
    .position(position)
    .engaged.map((id) => couplerName(train, id))
    .join(' + ') || 'nothing engaged';

interface FieldProps {
  readonly open: OpenSheet;
  readonly table: number;
  readonly cell: RoleCell;
  readonly label: string;
  readonly rows?: number;
}

function CellField({ open, table, cell, label, rows }: FieldProps) {
  const { store } = usePracticeItself();
  const key = roleCellKey(table, cell.key);
  const given = open.given[key];
  const value = typeof given === 'string' ? given : '';
  const marked = open.marked.includes(key);
  const mark = marked ? markOf(open, { key, asked: cell }) : null;
  const done = () => open.atOnce && value !== '' && markItems(store, [key]);
  const edge = clsx(marked && (mark?.verdict === 'right' ? 'border-accent' : 'border-error'));
  return (
    <td rowSpan={rows} className="py-0.5 pr-2 align-top">
      <span className="flex flex-wrap items-center gap-1">
        {cell.answer.kind === 'number' ? (
          <input
            className={clsx('input input-xs figure w-20', edge)}
            aria-label={label}
            value={value}
            onChange={(event) => fillIn(store, key, event.target.value)}
            onBlur={done}
          />
        ) : (
          <select
            className={clsx('select select-xs w-44 print:border-0 print:border-b', edge)}
            aria-label={label}
            value={value}
            onChange={(event) => fillIn(store, key, event.target.value)}
            onBlur={done}
          >
            <option value="" />
            {cell.answer.choices.map((choice) => (
              <option key={choice} value={choice}>
                {choice}
              </option>
            ))}
          </select>
        )}
        {marked && mark && <MarkWords mark={mark} />}
        {marked && mark?.verdict !== 'right' && (
          <span className="muted text-xs print:hidden">it is {cell.answer.value}</span>
        )}
      </span>
    </td>
  );
}

/** The roles table filled in, for the pages of answers. */
export function RolesAnswers({ train, rows }: { train: Train; rows: readonly RolesRow[] }) {
  return (
    <table aria-label={`Roles of ${train.name}`} className="w-full text-sm">
      <caption className="text-left font-semibold">{train.name}</caption>
      <thead>
        <tr className="border-b border-base-content text-left">
          <th scope="col">Position</th>
          <th scope="col">Driver → driven</th>
          <th scope="col">Ratio</th>
          <th scope="col">Overall</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ position, name, stages, overall }) => {
          const pairs = stages.filter(({ driver }) => driver.answer.value !== NO_PAIR);
          return (
            <tr key={position} className="break-inside-avoid border-b border-base-300">
              <th scope="row" className="text-left align-top">
                {name}
              </th>
              <td>
                {pairs.length === 0
                  ? 'direct: no pair carries anything'
                  : pairs.map(({ driver, driven, idler }, i) => (
                      <span key={i} className="block">
                        {driver.answer.value} → {driven.answer.value}
                        {idler && ' (idler)'}
                      </span>
                    ))}
              </td>
              <td className="figure">
                {pairs.map(({ ratio }, i) => (
                  <span key={i} className="block">
                    {ratio?.answer.value}
                  </span>
                ))}
              </td>
              <td className="figure align-top">{overall.answer.value}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
