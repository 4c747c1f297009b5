import { networkOf, openTrain, type Network, type OpenTrain } from '../kinematics';
import { solveEngaged, type SolveOptions, type Solved } from '../solve';
import { partsById, type PartIndex, type Train } from '../train';

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
  /** Every position solved, in the order of the document; made once with losses and once without. */
  readonly positions: (options?: { readonly losses?: boolean }) => ReadonlyMap<string, Solved>;
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
  const model = new OpenedTrain(train).model;
  models.set(train, new WeakRef(model));
  recent.push(model);
  if (recent.length > KEPT_MODELS) recent.shift();
  return model;
}

class OpenedTrain {
  private ownNetwork: Network | null = null;
  private ownOpen: OpenTrain | null = null;
  private readonly solved = new Map<boolean, ReadonlyMap<string, Solved>>();
  private readonly derived = new Map<unknown, unknown>();
  readonly model: Model;

  constructor(private readonly train: Train) {
    const network = () => this.network();
    const open = () => this.open();
    this.model = {
      ...partsById(train),
      train,
      get network() {
        return network();
      },
      get open() {
        return open();
      },
      solve: (engaged, options) => solveEngaged(this.open(), engaged, options),
      positions: ({ losses = false } = {}) => this.positions(losses),
      derive: <T>(make: (train: Train) => T): T => {
        if (!this.derived.has(make)) this.derived.set(make, make(train));
        return this.derived.get(make) as T;
      },
    };
  }

  private network(): Network {
    return (this.ownNetwork ??= networkOf(this.train));
  }

  private open(): OpenTrain {
    return (this.ownOpen ??= openTrain(this.network()));
  }

  private positions(losses: boolean): ReadonlyMap<string, Solved> {
    const known = this.solved.get(losses);
    if (known) return known;
    const solved = new Map(
      this.train.positions.map(({ id, engaged }) => [id, solveEngaged(this.open(), engaged, { losses })]),
    );
    this.solved.set(losses, solved);
    return solved;
  }
}
