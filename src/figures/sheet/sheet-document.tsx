import type { SideView } from '@/core/drawing';
import type { SheetBlock, DesignSheet } from '@/core/sheet';
import type { Train } from '@/core/train';
import { SideViewLabels } from '../side-view/side-view-labels';
import { SmallSideView } from '../side-view/small-side-view';
import { SheetEndView } from './sheet-end-view';
import { SHEET_CSS } from './sheet-css';

interface Props {
  readonly sheet: DesignSheet;
  readonly train: Train;
  /** Null where it is not there, or cannot be drawn. */
  readonly view: SideView | null;
}

/** A sheet as it is printed, whether on the screen or in a file by itself: it brings its own styles, always light. */
export function SheetDocument({ sheet, train, view }: Props) {
  return (
    <article className="tw-sheet" aria-label={`Sheet of ${sheet.title}`}>
      <style>{SHEET_CSS}</style>
      <table className="tw-pages">
        {/* A table's head stands on every page. */}
        <thead>
          <tr>
            <td>
              <div className="tw-running">
                <span>{sheet.title}</span>
                <span>{sheet.convention}</span>
              </div>
            </td>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>
              <header className="tw-title">
                <h1>{sheet.title}</h1>
                <dl>
                  {sheet.head.map(([what, says]) => (
                    <div key={what}>
                      <dt>{what}</dt>
                      <dd>{says}</dd>
                    </div>
                  ))}
                </dl>
              </header>
              {sheet.sections.map(({ key, title, blocks }) => (
                <section key={key} aria-label={title}>
                  <h2>{title}</h2>
                  {blocks.map((block, i) => (
                    <SheetBlock key={i} block={block} train={train} view={view} />
                  ))}
                </section>
              ))}
            </td>
          </tr>
        </tbody>
      </table>
    </article>
  );
}

function SheetBlock({ block, train, view }: { block: SheetBlock } & Pick<Props, 'train' | 'view'>) {
  switch (block.kind) {
    case 'text':
      return <p>{block.text}</p>;
    case 'list':
      return (
        <ul>
          {block.items.map((item, i) => (
            <li key={i}>{item}</li>
          ))}
        </ul>
      );
    case 'lines':
      return (
        <div className="tw-lines">
          <h3>{block.title}</h3>
          <pre>{block.lines.join('\n')}</pre>
        </div>
      );
    case 'table':
      return (
        <table className="tw-table">
          {block.caption && <caption>{block.caption}</caption>}
          <thead>
            <tr>
              {block.head.map((cell, i) => (
                <th key={i} scope="col">
                  {cell}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {block.rows.map((row, i) => (
              <tr key={i}>
                {row.map((cell, k) => (
                  <td key={k}>{cell}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      );
    case 'side-view':
      return view ? (
        <figure>
          <SmallSideView view={view} train={train} className="tw-side-view">
            <SideViewLabels labels={view.labels} count="tw-count" name="tw-name" />
          </SmallSideView>
        </figure>
      ) : (
        <p>The side view cannot be drawn.</p>
      );
    case 'end-view':
      return <SheetEndView {...block} train={train} />;
    case 'remarks':
      return <div className="tw-remarks">Remarks</div>;
  }
}
