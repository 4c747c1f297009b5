import type { Coupler, Gear, GearType, Material, Mesh, TrainFigure } from '../train';
import type { Place } from './place';

/** A name as it stands in a text. */
export interface Named {
  readonly name: string;
  readonly place: Place;
  /** In quotes it is a name, whatever the words in it mean elsewhere. */
  readonly quoted: boolean;
}

/** Which gear of a member: the nth, or the only one. */
export interface GearRef {
  readonly same: true;
  readonly nth: number | null;
  readonly member: Named;
  readonly place: Place;
}

/** What may be said of a gear beside its teeth, its kind and its member. */
export type GearWords = Partial<Omit<Gear, 'id' | 'member' | 'teeth' | 'type'>>;
export type MeshWords = Partial<Pick<Mesh, 'sense' | 'efficiency' | 'backEfficiency' | 'selfLocking' | 'centre'>>;

/** A gear that stands here first. A planet's member may be left out, and its count follow from the set. */
export interface NewGear {
  readonly same: false;
  readonly teeth: number | null;
  readonly type: GearType;
  readonly member: Named | null;
  readonly words: GearWords;
  readonly place: Place;
}

export type GearPhrase = GearRef | NewGear;

/** One thing in a row of gears that mesh: a gear, or a stepped planet with several; its neighbours meet its ends. */
export interface RowItem {
  readonly role: 'sun' | 'planet' | 'ring' | null;
  readonly gears: readonly [GearPhrase, ...GearPhrase[]];
  readonly copies: number | null;
  /** Of the pair that it makes with the one before. */
  readonly meshWords: MeshWords;
  readonly place: Place;
}

export type Statement = { readonly place: Place } & (
  | { readonly kind: 'train'; readonly name: string }
  /** One member; whatever else is named as well is told. */
  | { readonly kind: 'input'; readonly member: Named; readonly others: readonly Named[] }
  | { readonly kind: 'output'; readonly members: readonly Named[] }
  | { readonly kind: 'member'; readonly members: readonly MemberWords[] }
  | { readonly kind: 'row'; readonly row: Row }
  | { readonly kind: 'coupler'; readonly name: Named; readonly coupler: WrittenCoupler; readonly words: CouplerWords }
  | { readonly kind: 'sleeve'; readonly name: Named; readonly spans: readonly Span[] }
  | {
      readonly kind: 'position';
      readonly name: string;
      readonly engaged: readonly Named[];
      readonly ladder: boolean;
    }
  | { readonly kind: 'figure'; readonly of: 'efficiency' | TrainFigure; readonly value: number }
  | { readonly kind: 'tip speed'; readonly material: Material; readonly value: number }
  | { readonly kind: 'elasticity'; readonly material: Material; readonly value: number }
  | { readonly kind: 'set aside'; readonly finding: string; readonly note: string }
  | { readonly kind: 'note'; readonly text: string }
);

export interface MemberWords {
  readonly name: Named;
  readonly shown: string | null;
  readonly carrier: Named | null;
  readonly copies: number | null;
  readonly color: string | null;
  readonly limit: number | null;
  readonly bearings: readonly [number, number] | null;
}

/** Gears that mesh one after the other; in a set the planets among them share a carrier. */
export interface Row {
  readonly label: Named | null;
  readonly items: readonly RowItem[];
  readonly carrier: Named | null;
  readonly gearWords: GearWords;
  readonly meshWords: MeshWords;
}

export type WrittenCoupler =
  | { readonly type: 'clutch' | 'brake' | 'one-way'; readonly joins: readonly [Named, Named] }
  | { readonly type: 'sliding-mesh'; readonly mesh: SlidMesh };

/** The pair that has this label, or the only one in which a gear of this member is; or the pair of two gears. */
export type SlidMesh = { readonly pair: Named } | { readonly gears: readonly [GearPhrase, GearPhrase] };

export type CouplerWords = Partial<Pick<Coupler, 'style' | 'capacity' | 'station' | 'radius'>> & {
  readonly control?: 'always' | 'selectable';
  readonly shown?: string;
};

export interface Span {
  readonly coupler: Named;
  readonly from: number;
  readonly to: number;
}
