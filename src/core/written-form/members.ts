import { FRAME, type Member } from '../train';
import { Ids } from './ids';
import { missingText } from './nearest';
import type { Place, WrittenProblem } from './place';
import type { MemberWords, Named, Statement } from './statement';
import { FRAME_WORDS } from './words';

/** A member, where it stands first, and where a statement of its own says more of it. */
interface Entry {
  member: Member;
  readonly place: Place;
  stated: Place | null;
}

type Say = (problem: WrittenProblem) => void;

/**
 * The members of a written train. They come into being where gears stand on them, where they carry a set, where they
 * are listed, and where power comes in or goes out by one that a coupler joins; elsewhere only those that are there can
 * be named.
 */
export class Members {
  private readonly ids = new Ids();
  private readonly byName = new Map<string, Entry>();
  private readonly carried: (readonly [planet: Named, carrier: Named])[] = [];

  constructor(private readonly say: Say) {}

  /** The id of a member that is called so, which is made where there is none; null for the frame's. */
  declare(named: Named): string {
    return isFrame(named) ? FRAME : this.entry(named).member.id;
  }

  /** The id of the member that is called so; null, and a problem said, where there is none. */
  find(named: Named): string | null {
    if (isFrame(named)) return FRAME;
    const known = this.byName.get(named.name);
    if (known) return known.member.id;
    this.say({
      place: named.place,
      missing: named.name,
      message:
        `${missingText('member', named.name, [...this.byName.keys()])} ` +
        `A member without gears is listed: member ${named.name}`,
    });
    return null;
  }

  /** What a statement of its own says of a member. */
  describe({ name, shown, carrier, copies, color, limit, bearings }: MemberWords): void {
    if (isFrame(name)) return this.say({ place: name.place, message: 'The frame is always there and is not listed.' });
    const entry = this.entry(name);
    const says = [shown, carrier, copies, color, limit, bearings].some((one) => one !== null);
    if (says && entry.stated)
      this.say({ place: name.place, message: `Line ${entry.stated.line} says more of “${name.name}” already.` });
    if (says) entry.stated = name.place;
    entry.member = {
      ...entry.member,
      ...(shown !== null && { name: shown }),
      ...(color !== null && { color }),
      ...(limit !== null && { limit }),
      ...(bearings !== null && { bearings: [...bearings] as [number, number] }),
    };
    if (copies !== null) this.setCopies(entry.member.id, name, copies);
    if (carrier) this.carry(name, carrier);
  }

  /** The first is carried by the second, wherever that stands in the text. */
  carry(planet: Named, carrier: Named): void {
    if (isFrame(planet))
      return this.say({ place: planet.place, message: 'The frame is not carried: it is no planet.' });
    this.carried.push([planet, carrier]);
  }

  /** Looks up what carries what, when all members are there. */
  settle(): void {
    for (const [planet, carrier] of this.carried) this.settleOne(planet, carrier);
  }

  private settleOne(planet: Named, carrier: Named): void {
    const entry = this.entry(planet);
    const id = this.find(carrier);
    if (id === null) return;
    const { carrier: known } = entry.member;
    if (known !== undefined && known !== id)
      this.say({
        place: carrier.place,
        message: `“${planet.name}” is carried by “${this.nameOf(known)}” already: it has one carrier.`,
      });
    else entry.member = { ...entry.member, carrier: id };
  }

  setCopies(id: string, named: Pick<Named, 'name' | 'place'>, copies: number): void {
    const entry = [...this.byName.values()].find(({ member }) => member.id === id);
    if (!entry) return;
    const { copies: known } = entry.member;
    if (known !== undefined && known !== copies)
      this.say({ place: named.place, message: `“${named.name}” has ${known} copies elsewhere, and ${copies} here.` });
    else entry.member = { ...entry.member, copies };
  }

  /** A name for a planet that was not named, which no member has. @param taken names of the whole text */
  freeName(taken: ReadonlySet<string>): string {
    let name = 'planet';
    for (let i = 2; taken.has(name) || this.byName.has(name); i++) name = `planet ${i}`;
    return name;
  }

  get list(): readonly Member[] {
    return [...this.byName.values()].map(({ member }) => member);
  }

  get places(): readonly Place[] {
    return [...this.byName.values()].map(({ place }) => place);
  }

  private nameOf(id: string): string {
    return [...this.byName].find(([, { member }]) => member.id === id)?.[0] ?? id;
  }

  private entry({ name, place }: Named): Entry {
    const known = this.byName.get(name);
    if (known) return known;
    const made: Entry = { member: { id: this.ids.fresh(name, 'member'), name }, place, stated: null };
    this.byName.set(name, made);
    return made;
  }
}

export const isFrame = ({ name, quoted }: Named): boolean => !quoted && FRAME_WORDS.has(name.toLowerCase());

/** All names of members that a text makes, so that a planet without a name gets none of them. */
export function namesMade(statements: readonly Statement[]): ReadonlySet<string> {
  const names = new Set<string>();
  for (const statement of statements) {
    if (statement.kind === 'member') for (const { name } of statement.members) names.add(name.name);
    if (statement.kind !== 'row') continue;
    const { items, carrier } = statement.row;
    if (carrier) names.add(carrier.name);
    for (const { gears } of items) for (const { member } of gears) if (member) names.add(member.name);
  }
  for (const { name } of coupledEnds(statements)) names.add(name);
  return names;
}

/**
 * Where power comes in and goes out, as far as couplers join it: a shaft without gears is told by that. A slip of the
 * pen stands in one statement only, so it does not make a member.
 */
export function coupledEnds(statements: readonly Statement[]): readonly Named[] {
  const joined = new Set(
    statements.flatMap((statement) =>
      statement.kind === 'coupler' && 'joins' in statement.coupler
        ? statement.coupler.joins.map(({ name }) => name)
        : [],
    ),
  );
  const ends = statements.flatMap((statement) =>
    statement.kind === 'input' ? [statement.member] : statement.kind === 'output' ? statement.members : [],
  );
  return ends.filter(({ name }) => joined.has(name));
}
