import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { BEGINNINGS } from '@/core/written-form';
import type { Train } from '@/core/train';
import { quotedName } from '@/core/written-form';

/** What has names. */
export type Named = Pick<Train, 'members' | 'couplers'>;

/** What can stand next: beginnings of statements where a line begins, names of couplers or members behind them. */
export function completeText(context: CompletionContext, { members, couplers }: Named): CompletionResult | null {
  const line = context.state.doc.lineAt(context.pos);
  const before = line.text.slice(0, context.pos - line.from);
  if (/^\s*[\w-]*$/.test(before)) {
    const word = /[\w-]*$/.exec(before)?.[0] ?? '';
    if (word === '' && !context.explicit) return null;
    return { from: context.pos - word.length, options: BEGINNINGS.map((label) => ({ label, type: 'keyword' })) };
  }
  const [, lead] = NAME_FOLLOWS.exec(before) ?? [];
  if (lead === undefined) return null;
  const typed = before.slice(before.length - lead.length);
  if (typed === '' && !context.explicit && !/\s$/.test(before)) return null;
  return {
    from: context.pos - typed.length,
    options: namesFor(before, { members, couplers }),
    validFor: /^[^,:()#]*$/,
  };
}

/** Behind these a name is begun, which is all that is typed since. */
const NAME_FOLLOWS = new RegExp(
  [
    '(?:',
    [
      '\\b(?:on|with|drives|pushes|by|pair|input|outputs?)\\s+',
      '^\\s*(?:position|brake|clutch|one-way|slide|sleeve)[^:]*:\\s*',
      ',\\s*',
    ].join('|'),
    ')([^,:()#"]*)$',
  ].join(''),
  'i',
);

/** A position and a sleeve name couplers, everything else names members. */
function namesFor(line: string, { members, couplers }: Named): Completion[] {
  if (/^\s*(?:position|sleeve|drum|selector|slide)\b/i.test(line))
    return couplers.map(({ name }) => ({ label: quotedName(name), type: 'variable' }));
  return [
    ...members.map(({ name }) => ({ label: quotedName(name), type: 'variable' })),
    { label: 'frame', type: 'constant' },
  ];
}
