import { FRAME, type Train } from '@/core/train';

/** On light paper; styles have the same by name, and others for a dark screen. */
const ON_PAPER = [
  '#1c6690',
  '#2b8a66',
  '#7a4d9c',
  '#946200',
  '#1a8aa0',
  '#9c3f78',
  '#5d6d18',
  '#47566b',
  '#84503c',
  '#3f51a8',
] as const;
const HUES = ON_PAPER.length;
const FRAME_ON_PAPER = '#b9b4a8';

/** A member's colour, the same in every view: its own if it was given one, else the next of the palette. */
export function memberColor(train: Train, id: string): string {
  const at = train.members.findIndex((member) => member.id === id);
  return train.members[at]?.color ?? `var(--member-${Math.max(0, at) % HUES})`;
}

/** The same where there are no styles: red, green and blue from 0 to 1; the frame is grey. */
export function paperColor(train: Train, id: string): readonly [number, number, number] {
  const at = train.members.findIndex((member) => member.id === id);
  const hex =
    id === FRAME ? FRAME_ON_PAPER : (train.members[at]?.color ?? ON_PAPER[Math.max(0, at) % HUES] ?? '#888888');
  return [1, 3, 5].map((from) => parseInt(hex.slice(from, from + 2), 16) / 255) as unknown as [number, number, number];
}

/** The colours of all members as style variables. */
export const paperStyles = ON_PAPER.map((color, i) => `--member-${i}:${color};`).join('');
