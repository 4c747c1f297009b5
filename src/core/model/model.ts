import { networkOf, openTrain, type Network, type OpenTrain } from '../kinematics';
import { solveEngaged, type SolveOptions, type Solved } from '../solve';
import { partsById, type PartIndex, type Train } from '../train';

interface Losses {
  readonly losses?: boolean;
}

/**
 * One opened train: its parts by id, its network, its motion with nothing engaged, and what was solved and derived from
 * it. Whatever computes with a train takes these from here, so that each is made once for a document.
 */
export interface Model extends PartIndex {
  readonly train: Train;
  readonly network: Network;
  readonly open: OpenTrain;
  /** What is engaged, solved. */
  readonly solve: (engaged: Iterable<string>, options?: SolveOptions) => Solved;
  /** A position solved; made once with losses and once without. @throws RangeError where there is no such position */
  readonly solvedIn: (position: string, options?: Losses) => Solved;
  /** Every position solved, in the order of the document. */
  readonly positions: (options?: Losses) => ReadonlyMap<string, Solved>;
  /** What a function makes of the train, made once; the function itself is the key. */
  readonly derive: <T>(make: (train: Train) => T) => T;
}

/** Models that are kept in any case; older ones are kept while something else uses them. */
const KEPT_MODELS = 16;

const models = new WeakMap<Train, WeakRef<Model>>();
const recent: Model[] = [];

/** The model of a train: the same for the same document. */
export function modelOf(train: Train): Model {
  const known = models.get(train)?.deref();
  if (known) return known;
  const model = makeModel(train);
  models.set(train, new WeakRef(model));
  recent.push(model);
  if (recent.length > KEPT_MODELS) recent.shift();
  return model;
}

function makeModel(train: Train): Model {
  const parts = partsById(train);
  const solved = { ideal: new Map<string, Solved>(), lossy: new Map<string, Solved>() };
  const derived = new Map<unknown, unknown>();
  let network: Network | null = null;
  let open: OpenTrain | null = null;
  const model: Model = {
    ...parts,
    train,
    get network() {
      return (network ??= networkOf(train));
    },
    get open() {
      return (open ??= openTrain(model.network));
    },
    solve: (engaged, options) => solveEngaged(model.open, engaged, options),
    solvedIn: (position, { losses = false } = {}) => {
      const known = losses ? solved.lossy : solved.ideal;
      const found = known.get(position) ?? model.solve(parts.position(position).engaged, { losses });
      known.set(position, found);
      return found;
    },
    positions: (options) => new Map(train.positions.map(({ id }) => [id, model.solvedIn(id, options)])),
    derive: <T>(make: (train: Train) => T): T => {
      if (!derived.has(make)) derived.set(make, make(train));
      return derived.get(make) as T;
    },
  };
  return model;
}
