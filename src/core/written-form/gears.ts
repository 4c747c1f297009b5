import type { Gear, Mesh } from '../train';
import { itemAt } from '../required';
import { Ids } from './ids';
import type { Members } from './members';
import { through, type Place, type WrittenProblem } from './place';
import type { GearPhrase, NewGear, Row, RowItem } from './statement';

type Say = (problem: WrittenProblem) => void;

/** A gear while its count may still have to follow from others. */
interface Made {
  readonly gear: Omit<Gear, 'teeth'>;
  teeth: number | null;
  readonly place: Place;
}

/** The gears and meshes of a written train: first all gears are made, then what refers to them finds them. */
export class Gears {
  private readonly gearIds = new Ids();
  private readonly meshIds = new Ids();
  private readonly made = new Map<NewGear, Made>();
  private readonly onMember = new Map<string, Made[]>();
  private readonly meshes: { readonly mesh: Mesh; readonly place: Place; readonly label: string | null }[] = [];

  constructor(
    private readonly members: Members,
    private readonly say: Say,
  ) {}

  /** Makes the gears of a row that stand in it for the first time, with their members and what carries them. */
  declare({ items, carrier, gearWords }: Row, place: Place, taken: ReadonlySet<string>): void {
    for (const item of items) {
      const [first] = item.gears;
      // What stands elsewhere for the first time is looked for when all is made.
      if (first.same) continue;
      const named = first.member ?? { name: this.members.freeName(taken), place: item.place, quoted: true };
      const member = this.members.declare(named);
      for (const phrase of item.gears) if (!phrase.same) this.make(phrase, member, named.name, gearWords);
      if (item.role !== 'planet') continue;
      if (carrier) this.members.carry(named, carrier);
      else if (items.length > 1)
        this.say({ place, message: 'Say what carries its planets: write “carrier on” and the member.' });
      if (item.copies !== null) this.members.setCopies(member, { ...named, place: item.place }, item.copies);
    }
    if (carrier) this.members.declare(carrier);
  }

  /** Meshes a row's gears, and gives planets the counts that follow from their sun and ring. */
  mesh({ items, meshWords, label, carrier }: Row): void {
    const ends = items.map((item) => {
      const [first] = item.gears;
      const again = first.same && item.role === 'planet' ? this.members.find(first.member) : null;
      if (first.same && again !== null) {
        if (carrier) this.members.carry(first.member, carrier);
        if (item.copies !== null) this.members.setCopies(again, first.member, item.copies);
      }
      const found = item.gears.map((phrase) => this.find(phrase));
      return { item, first: itemAt(found, 0), last: itemAt(found, -1) };
    });
    this.fillPlanets(ends);
    ends.slice(1).forEach(({ item, first }, i) => {
      const before = itemAt(ends, i);
      if (!before.last || !first || before.last.teeth === null || first.teeth === null) return;
      const gears: [string, string] = [before.last.gear.id, first.gear.id];
      this.meshes.push({
        mesh: {
          id: this.meshIds.fresh('', 'mesh'),
          gears,
          ...usualSense(before.last, first, { ...meshWords, ...item.meshWords }),
        },
        place: through(before.item.place, item.place),
        label: label?.name ?? null,
      });
    });
    if (label && items.length !== 2)
      this.say({ place: label.place, message: 'A name is for one pair: write the pairs of this row apart.' });
  }

  /** The gear that a phrase is about. @returns null, and a problem said, where there is none, or which is open */
  find(phrase: GearPhrase): Made | null {
    if (!phrase.same) return this.made.get(phrase) ?? this.findByCount(phrase);
    const id = this.members.find(phrase.member);
    if (id === null) return null;
    const there = this.onMember.get(id) ?? [];
    if (phrase.nth === null && there.length === 1) return itemAt(there, 0);
    const found = phrase.nth === null ? undefined : there[phrase.nth - 1];
    if (found) return found;
    const count = there.length === 1 ? '1 gear' : `${there.length} gears`;
    const which =
      there.length > 1 ? `: write “same no 1 on ${phrase.member.name}”, counted in the order of the text` : '';
    this.say({ place: phrase.place, message: `“${phrase.member.name}” has ${count}${which}.` });
    return null;
  }

  /** The only pair of this label, or in which a gear of the member of this name is. */
  pairOf(name: string, place: Place): string | null {
    const labelled = this.meshes.filter(({ label }) => label === name);
    const member = this.members.list.find((one) => one.name === name);
    const gears = member ? (this.onMember.get(member.id) ?? []).map(({ gear }) => gear.id) : [];
    const found =
      labelled.length > 0 ? labelled : this.meshes.filter(({ mesh }) => mesh.gears.some((id) => gears.includes(id)));
    if (found.length === 1) return itemAt(found, 0).mesh.id;
    this.say({
      place,
      message:
        found.length === 0
          ? `No pair is called “${name}”: give one a name, as in “pair ${name}: 14 on countershaft drives 21 on idler”.`
          : `“${name}” has ${found.length} pairs: give the one a name, “pair ${name}: …”, or name both gears here.`,
    });
    return null;
  }

  /** The pair of these two gears. */
  between(a: GearPhrase, b: GearPhrase, place: Place): string | null {
    const [first, second] = [this.find(a), this.find(b)];
    if (!first || !second) return null;
    const ids = [first.gear.id, second.gear.id];
    const found = this.meshes.find(({ mesh }) => mesh.gears.every((id) => ids.includes(id)));
    if (!found) this.say({ place, message: 'These two gears are no pair: write it first, “pair: … drives …”.' });
    return found?.mesh.id ?? null;
  }

  get list(): readonly { readonly gear: Gear; readonly place: Place }[] {
    return [...this.made.values()].flatMap(({ gear, teeth, place }) => {
      if (teeth === null) return [];
      const { id, member, ...rest } = gear;
      return [{ gear: { id, member, teeth, ...rest }, place }];
    });
  }

  get meshList(): readonly { readonly mesh: Mesh; readonly place: Place }[] {
    return this.meshes;
  }

  private make(phrase: NewGear, member: string, name: string, words: Row['gearWords']): void {
    const { type, place } = phrase;
    const gear = { id: this.gearIds.fresh(name, 'gear'), member, type, ...words, ...phrase.words };
    const made = { gear, teeth: phrase.teeth, place };
    this.made.set(phrase, made);
    this.onMember.set(member, [...(this.onMember.get(member) ?? []), made]);
  }

  /** "14 on countershaft" where a pair is told by its gears. */
  private findByCount({ teeth, member, place }: NewGear): Made | null {
    const id = member && this.members.find(member);
    if (!id) return null;
    const there = (this.onMember.get(id) ?? []).filter((made) => made.teeth === teeth);
    if (there.length === 1) return itemAt(there, 0);
    const none = there.length === 0;
    this.say({
      place,
      message: none
        ? `“${member.name}” has no gear of ${teeth}.`
        : `“${member.name}” has ${there.length} gears of ${teeth}: write “same no 1 on ${member.name}”.`,
    });
    return null;
  }

  private fillPlanets(
    ends: readonly { readonly item: RowItem; readonly first: Made | null; readonly last: Made | null }[],
  ) {
    ends.forEach(({ item, first }, i) => {
      if (first?.teeth !== null) return;
      const [before, after] = [ends[i - 1]?.last, ends[i + 1]?.first];
      const [sun, ring] = before?.gear.type === 'internal' ? [after, before] : [before, after];
      const known = item.gears.length === 1 && sun && ring?.gear.type === 'internal' && sun.gear.type !== 'internal';
      if (!known || sun.teeth === null || ring.teeth === null)
        return this.say({
          place: item.place,
          message: 'Give its tooth count: it follows from a sun and a ring alone.',
        });
      const double = ring.teeth - sun.teeth;
      if (double > 0 && double % 2 === 0) first.teeth = double / 2;
      else
        this.say({
          place: item.place,
          message:
            double > 0
              ? `No planet fits between ${sun.teeth} and ${ring.teeth}: their difference, ${double}, is odd.`
              : `No planet fits: the ring’s ${ring.teeth} are not more than the sun’s ${sun.teeth}.`,
        });
    });
  }
}

/** A bevel or a worm has to say how it turns; where the text does not, it turns the other way. */
function usualSense(a: Made, b: Made, words: Row['meshWords']): Row['meshWords'] {
  const must = [a, b].some(({ gear }) => gear.type === 'bevel' || gear.type === 'worm');
  return must && words.sense === undefined ? { ...words, sense: 'opposite' } : words;
}
