/** A point or stretch in drawing units (pixels at scale 1), y downward. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Segment {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

export interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A gear seen from the side. */
export interface GearShape {
  readonly gear: string;
  readonly member: string;
  /**
   * bar: across its axis · cup: an internal gear across its axis · sun, ring: a tooth line inside or outside its
   * planets, with a stem to its member · planet: an I on its pin · side, top: bevel gears.
   */
  readonly shape: 'bar' | 'cup' | 'sun' | 'ring' | 'planet' | 'side' | 'top';
  readonly x: number;
  /** Middle of the gear: the axis for a bar, the pitch line for a sun or ring, the pin for a planet. */
  readonly y: number;
  /** From the middle to the pitch line. */
  readonly radius: number;
  readonly halfWidth: number;
  /** Rows free round the axis where another member passes through a bar. */
  readonly bore: number;
  /** Everything the gear covers, for picking it. */
  readonly box: Box;
}

/** A member's lines: straight runs to draw, and the short links they are made of, each ending where the next begins. */
export interface MemberLines {
  readonly member: string;
  readonly segments: readonly Segment[];
  readonly links: readonly Segment[];
}

/**
 * What touches a member: a gear on it, the pin of a planet it carries, a coupler, or the outside at an input or output.
 */
export interface PartOnMember {
  readonly kind: 'gear' | 'pin' | 'coupler' | 'port';
  readonly id: string;
}

/** The end of a link at which a part takes hold of its member. */
export interface Attachment {
  readonly member: string;
  readonly part: PartOnMember;
  readonly at: Point;
}

/**
 * A mesh whose gears do not touch on paper. chain: a chain or belt between two wheels · folded: the shafts stand in a
 * triangle, which a flat drawing cannot show; the line beside the gears says that they mesh all the same.
 */
export interface MeshTie {
  readonly mesh: string;
  readonly kind: 'chain' | 'folded';
  readonly x: number;
  readonly y1: number;
  readonly y2: number;
}

/** Two members' lines that cross: `over` runs level and hops, `under` runs upright. */
export interface Crossing extends Point {
  readonly over: string;
  readonly under: string;
}

/**
 * A clutch, brake, one-way clutch (between two members' lines) or sliding mesh (beside the place where its gears meet).
 */
export interface CouplerShape {
  readonly coupler: string;
  readonly kind: 'joint' | 'slide';
  readonly x: number;
  readonly y: number;
  /** Degrees to turn the symbol, drawn from its first member on the left to its second on the right. */
  readonly turn: 0 | 90 | 180 | 270;
  /** Which side is the frame, if any: it is drawn hatched. */
  readonly frame: 'first' | 'second' | null;
}

export interface Label {
  readonly text: string;
  readonly of: { readonly kind: 'gear' | 'member' | 'coupler'; readonly id: string };
  /** Where the text starts, ends or is centred, on its middle line. */
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** Where power goes in (arrow towards the train) and comes out; `side` is the edge it stands at. */
export interface Port {
  readonly kind: 'input' | 'output';
  readonly member: string;
  readonly side: 'left' | 'right';
  readonly x: number;
  readonly y: number;
}

/** A planet's own shaft, round which it turns on its carrier. */
export interface PinShape {
  readonly planet: string;
  readonly carrier: string;
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
}

/** The side view as geometry. The same for screen, file and thumbnail. */
export interface SideView {
  readonly width: number;
  readonly height: number;
  readonly axes: readonly Segment[];
  readonly gears: readonly GearShape[];
  readonly pins: readonly PinShape[];
  readonly lines: readonly MemberLines[];
  readonly attachments: readonly Attachment[];
  readonly ties: readonly MeshTie[];
  readonly couplers: readonly CouplerShape[];
  readonly bearings: readonly Point[];
  readonly ports: readonly Port[];
  /** Where two members' lines cross: parts that would collide if it were built in this order. */
  readonly crossings: readonly Crossing[];
  readonly labels: readonly Label[];
  /** The figures from left to right, to keep the picture stable under small edits. */
  readonly order: readonly string[];
}

/** How wide a name is drawn at 15 px, about. */
/** The width of a text, of its longest line where it has several. */
export const textWidth = (text: string): number => Math.max(...linesOf(text).map(({ length }) => length)) * 7.8;
export const TEXT_HEIGHT = 16;

/** A label's lines, one over the other about its place. */
export const linesOf = (text: string): readonly string[] => text.split('\n');

export function labelBox({ text, x, y, anchor }: Label): Box {
  const width = textWidth(text);
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  const half = (linesOf(text).length * TEXT_HEIGHT) / 2;
  return { left, right: left + width, top: y - half, bottom: y + half };
}

export const overlap = (a: Box, b: Box): boolean =>
  a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top;

export const segmentBox = ({ x1, y1, x2, y2 }: Segment, half = 2): Box => ({
  left: Math.min(x1, x2) - half,
  right: Math.max(x1, x2) + half,
  top: Math.min(y1, y2) - half,
  bottom: Math.max(y1, y2) + half,
});

/** How far a point is from a box; 0 inside. */
export const distanceFromBox = ({ left, right, top, bottom }: Box, { x, y }: Point): number =>
  Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));
