import { acceptCompletion, autocompletion, closeBrackets, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { diagnosticCount, lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { Annotation, EditorState, Transaction } from '@codemirror/state';
import { EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import type { WrittenTrain } from '@/core/written-form';
import { changedSpan } from './changed-span';
import { completeText, type Named } from './completion';
import { writtenLanguage } from './language';

/** What the editor asks of what is around it. */
export interface EditorHost {
  readonly onType: (text: string) => void;
  /** The cursor stands there now, moved by a person. */
  readonly onCursor: (at: number) => void;
  /** The pointer is over this character; null when it has left. */
  readonly onPoint: (at: number | null) => void;
  /** Undo where the text is what the document is; not handled, the editor takes back what was typed. */
  readonly onUndo: (again: boolean) => boolean;
  /** Whose names can be completed. */
  readonly parts: () => Named;
}

export interface TextEditor {
  /** Puts another text in place of this one, with the cursor where it was as far as it can be. */
  readonly setText: (text: string) => void;
  readonly showProblems: (read: WrittenTrain) => void;
  /** The cursor goes there, without taking the focus. */
  readonly goTo: (from: number, to: number) => void;
  readonly focus: () => void;
  readonly rectAt: (at: number) => DOMRect | null;
  readonly leave: () => void;
}

const fromOutside = Annotation.define<boolean>();

/** An editor for a train in writing, in this element. */
export function createEditor(parent: HTMLElement, text: string, host: EditorHost): TextEditor {
  const step = (again: boolean) => () => host.onUndo(again);
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        lineNumbers(),
        history(),
        highlightActiveLine(),
        closeBrackets(),
        lintGutter(),
        writtenLanguage,
        autocompletion({
          override: [(context) => completeText(context, host.parts())],
          icons: false,
          defaultKeymap: false,
        }),
        keymap.of([
          { key: 'Mod-z', run: step(false), preventDefault: true },
          { key: 'Mod-y', run: step(true), preventDefault: true },
          { key: 'Mod-Shift-z', run: step(true), preventDefault: true },
          // Enter always ends the line: a name that another begins with is not to become that other.
          { key: 'Tab', run: acceptCompletion },
          ...completionKeymap.filter(({ key }) => key !== 'Enter'),
          ...historyKeymap,
          ...defaultKeymap,
        ]),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ 'aria-label': 'The train in writing', spellcheck: 'false', tabindex: '0' }),
        EditorView.updateListener.of(({ docChanged, selectionSet, state, transactions }) => {
          const isOutside = transactions.some((one) => one.annotation(fromOutside));
          if (docChanged && !isOutside) host.onType(state.doc.toString());
          if (selectionSet && !isOutside) host.onCursor(state.selection.main.head);
        }),
        EditorView.domEventHandlers({
          mousemove: (event, own) => host.onPoint(own.posAtCoords({ x: event.clientX, y: event.clientY })),
          mouseleave: () => host.onPoint(null),
        }),
        LOOKS,
      ],
    }),
  });
  return {
    setText: (now) => {
      const was = view.state.doc.toString();
      const change = changedPart(was, now);
      if (change)
        view.dispatch({
          changes: change,
          annotations: [fromOutside.of(true), Transaction.addToHistory.of(false)],
        });
    },
    showProblems: (read) => {
      const found = diagnosticsOf(read, view.state.doc.length);
      if (found.length > 0 || diagnosticCount(view.state) > 0) view.dispatch(setDiagnostics(view.state, found));
    },
    goTo: (from, to) =>
      view.dispatch({
        selection: { anchor: from, head: to },
        effects: EditorView.scrollIntoView(from, { y: 'center' }),
        annotations: fromOutside.of(true),
      }),
    focus: () => view.focus(),
    rectAt: (at) => {
      const rect = view.coordsAtPos(at);
      return rect ? new DOMRect(rect.left, rect.top, rect.right - rect.left, rect.bottom - rect.top) : null;
    },
    leave: () => view.destroy(),
  };
}

function diagnosticsOf({ problems, hints }: WrittenTrain, length: number): Diagnostic[] {
  const at =
    (severity: Diagnostic['severity']) =>
    ({ place, message }: WrittenTrain['problems'][number]): Diagnostic => ({
      from: Math.min(place.from, length),
      to: Math.min(Math.max(place.to, place.from), length),
      severity,
      message,
    });
  return [...problems.map(at('error')), ...hints.map(at('info'))];
}

/** What lies between the equal beginnings and ends of two texts; null where they are the same. */
function changedPart(was: string, now: string): { from: number; to: number; insert: string } | null {
  if (was === now) return null;
  const { start, end } = changedSpan(was, now);
  return { from: start, to: was.length - end, insert: now.slice(start, now.length - end) };
}

const LOOKS = EditorView.theme({
  '&': { height: '100%', fontSize: '13.5px', backgroundColor: 'var(--color-base-100)', color: 'inherit' },
  '&.cm-focused': { outline: '2px solid var(--color-accent)', outlineOffset: '-2px' },
  '.cm-scroller': { fontFamily: 'var(--font-mono, monospace)', lineHeight: '1.5' },
  '.cm-content': { caretColor: 'var(--color-base-content)' },
  '.cm-cursor': { borderLeftColor: 'var(--color-base-content)' },
  '.cm-gutters': { backgroundColor: 'transparent', color: 'var(--muted)', border: 'none' },
  '.cm-activeLine': { backgroundColor: 'color-mix(in oklab, var(--color-base-content) 5%, transparent)' },
  '.cm-selectionBackground, &.cm-focused .cm-selectionBackground': {
    backgroundColor: 'color-mix(in oklab, var(--color-accent) 25%, transparent) !important',
  },
  '.cm-tooltip': {
    backgroundColor: 'var(--color-base-100)',
    color: 'var(--color-base-content)',
    border: '1px solid var(--color-base-content)',
  },
  '.cm-tooltip-autocomplete ul li[aria-selected]': {
    backgroundColor: 'var(--color-neutral)',
    color: 'var(--color-neutral-content)',
  },
});
