import type { Attachment, Crossing, MemberLines, PartOnMember, Point, Segment } from './geometry';

/** Gathers the links of every member, and where parts take hold of them, while a drawing is made. */
export class LineBook {
  private readonly links = new Map<string, Segment[]>();
  readonly attachments: Attachment[] = [];

  link(member: string, a: Point, b: Point): void {
    const own = this.links.get(member) ?? [];
    own.push({ x1: a.x, y1: a.y, x2: b.x, y2: b.y });
    this.links.set(member, own);
  }

  attach(member: string, part: PartOnMember, at: Point): void {
    this.attachments.push({ member, part, at });
  }

  lines(): MemberLines[] {
    return [...this.links].map(([member, links]) => ({ member, links, segments: mergeCollinear(links) }));
  }
}

/** Straight runs of links become one line. */
function mergeCollinear(links: readonly Segment[]): Segment[] {
  const runs = new Map<string, [number, number][]>();
  for (const { x1, y1, x2, y2 } of links) {
    const level = y1 === y2;
    const key = level ? `h${y1}` : `v${x1}`;
    const run: [number, number] = level ? [Math.min(x1, x2), Math.max(x1, x2)] : [Math.min(y1, y2), Math.max(y1, y2)];
    runs.set(key, [...(runs.get(key) ?? []), run]);
  }
  return [...runs].flatMap(([key, parts]) => {
    const fixed = Number(key.slice(1));
    const joined: [number, number][] = [];
    for (const [from, to] of parts.sort((a, b) => a[0] - b[0])) {
      const last = joined.at(-1);
      if (last && from <= last[1]) last[1] = Math.max(last[1], to);
      else joined.push([from, to]);
    }
    return joined.map(([from, to]): Segment =>
      key[0] === 'h' ? { x1: from, y1: fixed, x2: to, y2: fixed } : { x1: fixed, y1: from, x2: fixed, y2: to },
    );
  });
}

/** Which members meet at a point where two lines cross: the one that runs level and the one that runs upright. */
export function crossingAt({ x, y }: Point, lines: readonly MemberLines[]): Crossing | null {
  const through = (holds: (segment: Segment) => boolean) => lines.find(({ segments }) => segments.some(holds))?.member;
  const over = through(({ x1, y1, x2, y2 }) => y1 === y && y2 === y && x1 < x && x < x2);
  const under = through(({ x1, y1, x2, y2 }) => x1 === x && x2 === x && y1 < y && y < y2);
  return over !== undefined && under !== undefined ? { x, y, over, under } : null;
}
