import { choosePosition } from './choosing';
import { engagementIn } from './engagement';
import type { FlowKind } from './analysis';
import type { TrainState, TrainStore } from './store';
import { partsById } from '@/core/train';

const FLOWS: readonly FlowKind[] = ['drive', 'coast', 'backward'];

/** Looks at what a link asks for: ?position=2&flow=coast, a position by its id or name; says what there is none of. */
export function follow(store: TrainStore, link: URLSearchParams): void {
  const { train, say, setFlow } = store.getState();
  const [named, flow] = [link.get('position'), link.get('flow')];
  if (named !== null) {
    const position =
      partsById(train).find.position(named) ??
      train.positions.find(({ name }) => name.toLowerCase() === named.toLowerCase());
    if (position) choosePosition(store, position.id);
    else say(`The link asks for position “${named}”, which this train does not have.`);
  }
  if (flow === null) return;
  const kind = FLOWS.find((one) => one === flow);
  if (kind) setFlow(kind);
  else say(`The link asks for “${flow}”; power can ${FLOWS.join(', ')}.`);
}

/**
 * What a link has to say to lead to what is looked at now, such as "?position=2&flow=coast"; empty where nothing has to
 * be said.
 */
export function linkTo(state: TrainState): string {
  const link = new URLSearchParams();
  const { positionId } = engagementIn(state);
  if (positionId !== null) link.set('position', positionId);
  if (state.flow !== 'drive') link.set('flow', state.flow);
  return link.size > 0 ? `?${link}` : '';
}
