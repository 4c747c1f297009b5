'use client';

import { X } from 'lucide-react';
import { useLayoutEffect, useRef, type ReactNode } from 'react';
import { CAUTIONS } from '@/core/cautions';
import { Symbols } from './symbols';
import { TOPICS, type Topic, type TopicName } from './topics';
import { WORDS, type Word } from './words';
import { required } from '@/core/required';
import { usePartWords } from '@/ui/part-words';

/** A line of the list of keys. */
export interface KeyLine {
  readonly keys: string;
  readonly does: string;
}

export interface HelpProps {
  readonly about: TopicName;
  readonly keys?: readonly KeyLine[];
  readonly onTour?: () => void;
  readonly onClose: () => void;
}

/** What the screen is for, its words, symbols, choices, cautions and keys; it stays open beside the work. */
export function HelpPanel({ about, keys = [], onTour, onClose }: HelpProps) {
  const topic: Topic = TOPICS[about];
  const told = usePartWords();
  const panel = useRef<HTMLElement>(null);
  // Before it is seen: whoever sees it can close it with Escape.
  useLayoutEffect(() => {
    const [before, own] = [document.activeElement, required(panel.current)];
    own.focus();
    // Back to where the keyboard was, unless it went on meanwhile.
    return () => {
      const within = document.activeElement === document.body || own.contains(document.activeElement);
      if (within && before instanceof HTMLElement) before.focus();
    };
  }, []);
  return (
    <aside
      ref={panel}
      tabIndex={-1}
      aria-label="Help"
      className={
        'fixed inset-y-0 right-0 z-40 flex w-full flex-col border-l border-base-content bg-base-100 ' +
        'text-sm shadow-lg focus-visible:outline-0 sm:w-96 print:hidden'
      }
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onClose();
      }}
    >
      <header className="flex items-center gap-2 border-b border-base-content px-4 py-2">
        <h2 className="flex-1 font-semibold">Help: {about}</h2>
        <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Close the help" onClick={onClose}>
          <X className="size-4" aria-hidden />
        </button>
      </header>
      <div className="flex-1 overflow-auto px-4 py-3" tabIndex={0}>
        <p className="text-base font-semibold">{topic.question}</p>
        <ol className="mt-2 flex list-decimal flex-col gap-1.5 pl-4">
          {topic.steps.map((step) => (
            <li key={step}>{told(step)}</li>
          ))}
        </ol>
        {onTour && (
          <button type="button" className="btn btn-sm mt-3" onClick={onTour}>
            Show me round
          </button>
        )}
        {topic.choices && (
          <Part title="Ways of working">
            <dl className="flex flex-col gap-1.5">
              {topic.choices.map(([name, means]) => (
                <div key={name}>
                  <dt className="font-semibold">{name}</dt>
                  <dd className="muted">{told(means)}</dd>
                </div>
              ))}
            </dl>
          </Part>
        )}
        {topic.symbols && (
          <Part title="Symbols">
            <Symbols />
          </Part>
        )}
        <Part title="Words">
          <dl className="flex flex-col gap-1.5">
            {topic.words.map((name) => {
              const { word, means, also }: Word = WORDS[name];
              return (
                <div key={name}>
                  <dt className="inline font-semibold">{told(word)}: </dt>
                  <dd className="inline">
                    {told(means)}.{also && <span className="muted"> Also called: {also}.</span>}
                  </dd>
                </div>
              );
            })}
          </dl>
        </Part>
        {keys.length > 0 && (
          <Part title="Keys">
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
              {keys.map(({ keys: press, does }) => (
                <div key={press} className="contents">
                  <dt className="figure max-w-32">{press}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </Part>
        )}
        <Part title="Cautions">
          <ul className="flex list-disc flex-col gap-1 pl-4">
            {topic.cautions.map((name) => (
              <li key={name}>{CAUTIONS[name]}</li>
            ))}
          </ul>
        </Part>
      </div>
    </aside>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mt-4 border-t border-base-300 pt-2">
      <h3 className="mb-1.5 font-semibold">{title}</h3>
      {children}
    </section>
  );
}
