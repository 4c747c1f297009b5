import { ONE_INPUT, type Coupler, type Position, type Train, type TrainFigure } from '../train';
import { Gears } from './gears';
import { Ids } from './ids';
import { coupledEnds, Members, namesMade } from './members';
import { missingText } from './nearest';
import type { Place, WrittenProblem } from './place';
import type { CouplerWords, Named, Statement, WrittenCoupler } from './statement';

/** A document made of statements, not checked yet, and where each of its parts stands in the text. */
export interface Assembled {
  readonly train: Train;
  readonly places: Places;
  readonly problems: readonly WrittenProblem[];
}

export interface Places extends FigurePlaces {
  readonly members: readonly Place[];
  readonly gears: readonly Place[];
  readonly meshes: readonly Place[];
  readonly couplers: readonly Place[];
  readonly selectors: readonly Place[];
  readonly positions: readonly Place[];
  readonly outputs: readonly Place[];
  readonly setAside: readonly Place[];
  readonly input: Place | null;
  readonly name: Place | null;
  readonly tipSpeedLimits: Place | null;
  readonly elasticity: Place | null;
  readonly notes: Place | null;
}

/** Where figures that hold for the whole train stand. */
type FigurePlaces = Readonly<Partial<Record<'efficiency' | TrainFigure, Place>>>;

/** Without a name of its own. */
const NEW_TRAIN = 'New train';

type Of<K extends Statement['kind']> = Extract<Statement, { readonly kind: K }>;

/** Makes a document of statements, in whatever order they stand. */
export function assemble(statements: readonly Statement[], end: Place): Assembled {
  const problems: WrittenProblem[] = [];
  const say = (problem: WrittenProblem) => void problems.push(problem);
  const of = <K extends Statement['kind']>(kind: K) =>
    statements.filter((statement): statement is Of<K> => statement.kind === kind);
  const once = <K extends Statement['kind']>(kind: K): Of<K> | undefined => {
    const [first, ...others] = of(kind);
    for (const { place } of others) {
      const message = kind === 'input' ? ONE_INPUT : `Line ${first?.place.line} says this already.`;
      say({ place, message });
    }
    return first;
  };

  const members = new Members(say);
  const gears = new Gears(members, say);
  const taken = namesMade(statements);
  for (const statement of statements) {
    if (statement.kind === 'member') statement.members.forEach((words) => members.describe(words));
    if (statement.kind === 'row') gears.declare(statement.row, statement.place, taken);
  }
  for (const named of coupledEnds(statements)) members.declare(named);
  for (const { row } of of('row')) gears.mesh(row);
  members.settle();

  const couplers = new Couplers(members, gears, say);
  for (const statement of of('coupler')) couplers.add(statement);
  const sleeves = sleevesOf(of('sleeve'), couplers);
  const positions = positionsOf(of('position'), couplers);

  const input = once('input');
  for (const { place } of input?.others.slice(0, 1) ?? []) say({ place, message: ONE_INPUT });
  const outputs = of('output').flatMap((statement) => statement.members);
  if (!input) say({ place: end, message: 'Say where power comes in: write “input” and a member.' });
  if (outputs.length === 0) say({ place: end, message: 'Say where power goes out: write “output” and a member.' });
  const inputId = input && members.find(input.member);
  const foundOutputs = outputs.flatMap((named) => {
    const id = members.find(named);
    return id === null ? [] : [{ id, place: named.place }];
  });
  const train = once('train');
  const notes = of('note');
  const aside = of('set aside');
  const limits = of('tip speed');
  const elasticity = of('elasticity');
  const figures = figuresOf(of('figure'), say);
  const { list } = members;
  return {
    train: {
      format: 'tin-wheel/train',
      version: 1,
      name: train?.name ?? NEW_TRAIN,
      members: list,
      gears: gears.list.map(({ gear }) => gear),
      meshes: gears.meshList.map(({ mesh }) => mesh),
      couplers: couplers.list.map(({ coupler }) => coupler),
      ...(sleeves.length > 0 && { selectors: sleeves.map(({ selector }) => selector) }),
      positions: positions.map(({ position }) => position),
      // Until it is said, so that what there is can be shown.
      input: inputId ?? list[0]?.id ?? '',
      outputs:
        foundOutputs.length > 0
          ? foundOutputs.map(({ id }) => id)
          : list
              .slice(1)
              .slice(-1)
              .map(({ id }) => id),
      ...(notes.length > 0 && { notes: notes.map(({ text }) => text).join('\n') }),
      ...(limits.length > 0 && {
        tipSpeedLimits: Object.fromEntries(limits.map(({ material, value }) => [material, value])),
      }),
      ...Object.fromEntries([...figures].map(([key, { value }]) => [key, value])),
      ...(elasticity.length > 0 && {
        elasticity: Object.fromEntries(elasticity.map(({ material, value }) => [material, value])),
      }),
      ...(aside.length > 0 && { setAside: aside.map(({ finding, note }) => ({ finding, note })) }),
    },
    places: {
      members: members.places,
      gears: gears.list.map(({ place }) => place),
      meshes: gears.meshList.map(({ place }) => place),
      couplers: couplers.list.map(({ place }) => place),
      selectors: sleeves.map(({ place }) => place),
      positions: positions.map(({ place }) => place),
      outputs: foundOutputs.map(({ place }) => place),
      setAside: aside.map(({ place }) => place),
      input: input && inputId ? input.member.place : null,
      name: train?.place ?? null,
      tipSpeedLimits: limits[0]?.place ?? null,
      ...Object.fromEntries([...figures].map(([key, { place }]) => [key, place])),
      elasticity: elasticity[0]?.place ?? null,
      notes: notes[0]?.place ?? null,
    },
    problems,
  };
}

/** What is said of the whole train in one figure, each once. */
function figuresOf(
  statements: readonly Of<'figure'>[],
  say: (problem: WrittenProblem) => void,
): ReadonlyMap<'efficiency' | TrainFigure, Of<'figure'>> {
  const found = new Map<'efficiency' | TrainFigure, Of<'figure'>>();
  for (const statement of statements) {
    const first = found.get(statement.of);
    if (first) say({ place: statement.place, message: `Line ${first.place.line} says this already.` });
    else found.set(statement.of, statement);
  }
  return found;
}

class Couplers {
  private readonly ids = new Ids();
  /** Null of one whose statement names what is not there: that is said, and no second fault. */
  private readonly byName = new Map<string, string | null>();
  readonly list: { readonly coupler: Coupler; readonly place: Place }[] = [];

  constructor(
    private readonly members: Members,
    private readonly gears: Gears,
    private readonly say: (problem: WrittenProblem) => void,
  ) {}

  add({ name, coupler, words: { shown, control, ...words }, place }: Of<'coupler'>): void {
    if (this.byName.has(name.name))
      return this.say({
        place: name.place,
        message:
          `“${name.name}” is the name of another coupler. Call this one otherwise; ` +
          '“named” gives it the same name in pictures.',
      });
    const id = this.ids.fresh(name.name, 'coupler');
    const base = { id, name: shown ?? name.name };
    const made = this.joined(coupler, base, words, control);
    this.byName.set(name.name, made && id);
    if (made) this.list.push({ coupler: made, place });
  }

  /** The id of a coupler that is called so; null where there is none, and then a problem is said. */
  find({ name, place }: Named): string | null {
    const id = this.byName.get(name);
    if (id !== undefined) return id;
    this.say({ place, missing: name, message: missingText('coupler', name, [...this.byName.keys()]) });
    return null;
  }

  private joined(
    coupler: WrittenCoupler,
    base: Pick<Coupler, 'id' | 'name'>,
    words: Omit<CouplerWords, 'shown' | 'control'>,
    control: CouplerWords['control'],
  ): Coupler | null {
    if (coupler.type === 'sliding-mesh') {
      const { mesh } = coupler;
      const id =
        'pair' in mesh
          ? this.gears.pairOf(mesh.pair.name, mesh.pair.place)
          : this.gears.between(...mesh.gears, mesh.gears[0].place);
      return id === null ? null : { ...base, type: 'sliding-mesh', mesh: id, ...words };
    }
    const [a, b] = coupler.joins.map((named) => this.members.find(named));
    if (!a || !b) return null;
    const { type } = coupler;
    return type === 'one-way'
      ? { ...base, type, joins: [a, b], ...(control !== undefined && { control }), ...words }
      : { ...base, type, joins: [a, b], ...words };
  }
}

function sleevesOf(statements: readonly Of<'sleeve'>[], couplers: Couplers) {
  const ids = new Ids();
  return statements.map(({ name, spans, place }) => ({
    place,
    selector: {
      id: ids.fresh(name.name, 'sleeve'),
      name: name.name,
      spans: spans.flatMap(({ coupler, from, to }) => {
        const id = couplers.find(coupler);
        return id === null ? [] : [{ coupler: id, from, to }];
      }),
    },
  }));
}

function positionsOf(statements: readonly Of<'position'>[], couplers: Couplers) {
  const ids = new Ids();
  return statements.map(({ name, engaged, ladder, place }) => {
    const position: Position = {
      id: ids.fresh(name, 'position'),
      name,
      engaged: engaged.flatMap((coupler) => couplers.find(coupler) ?? []),
      ...(!ladder && { ladder: false as const }),
    };
    return { place, position };
  });
}
