import { isForce, readQuantity, SPEED_UNITS, torqueTable } from '@/core/units';
import { partsById } from '@/core/train';
import { listed } from '@/core/words';
import { choosePosition, engage } from './choosing';
import { engagementIn } from './engagement';
import type { FlowKind } from './analysis';
import { unitsNow } from './input/own-units';
import type { TrainState, TrainStore } from './store';

const FLOWS: readonly FlowKind[] = ['drive', 'coast', 'backward'];

/** What a link can ask for. */
export const LINKED = ['position', 'engaged', 'flow', 'speed', 'torque'] as const;

/**
 * Looks at what a link asks for: "?position=2&flow=coast&speed=30 rpm", a position by its id or name, or couplers that
 * no position engages; says what there is none of.
 */
export function follow(store: TrainStore, link: URLSearchParams): void {
  const missing = [engagementOf, flowOf, figuresOf].flatMap((part) => part(store, link) ?? []);
  if (missing.length > 0) store.getState().say(`The link asks for ${missing.join('; ')}.`);
}

/** Reads one part of a link. @returns what it asks for that is not there, null where nothing is missing. */
type LinkPart = (store: TrainStore, link: URLSearchParams) => string | null;

const engagementOf: LinkPart = (store, link) => {
  const { train } = store.getState();
  const [named, couplers] = [link.get('position'), link.get('engaged')];
  if (named !== null) {
    const position =
      partsById(train).find.position(named) ??
      train.positions.find(({ name }) => name.toLowerCase() === named.toLowerCase());
    if (!position) return `position “${named}”, which this train does not have`;
    choosePosition(store, position.id);
    return null;
  }
  if (couplers === null) return null;
  const asked = couplers.split(SEPARATOR).filter((id) => id !== '');
  const unknown = asked.filter((id) => !partsById(train).find.coupler(id));
  engage(
    store,
    asked.filter((id) => !unknown.includes(id)),
  );
  return unknown.length === 0 ? null : `couplers that this train does not have: ${listed(unknown)}`;
};

const flowOf: LinkPart = (store, link) => {
  const flow = link.get('flow');
  if (flow === null) return null;
  const kind = FLOWS.find((one) => one === flow);
  if (kind) store.getState().setFlow(kind);
  return kind ? null : `“${flow}”; power can ${FLOWS.join(', ')}`;
};

const figuresOf: LinkPart = (store, link) => {
  const { speedUnit, torqueUnit, armMm } = unitsNow();
  const { type } = store.getState();
  const wrong: string[] = [];
  const read = (key: 'speed' | 'torque', units: readonly string[], own: string): string | null => {
    const text = link.get(key);
    if (text === null) return null;
    const figure = readQuantity(text, units, null, `the input ${key}`);
    if (!figure.ok) wrong.push(`an input ${key} of “${text}”, which cannot be read`);
    else return figure.value.unit === own ? String(figure.value.value) : text;
    return null;
  };
  const speedText = read('speed', Object.keys(SPEED_UNITS), speedUnit);
  const torqueText = read('torque', Object.keys(torqueTable(armMm / 1000)), torqueUnit);
  if (speedText !== null) type({ speedText });
  if (torqueText !== null) type({ torqueText });
  return wrong.length === 0 ? null : wrong.join('; ');
};

/** No id holds one. */
const SEPARATOR = ',';

/** What a link says, and what of what is looked at it leaves out. */
export interface LinkTo {
  /** Such as "?position=2&flow=coast&speed=30+rpm"; empty where nothing has to be said. */
  readonly search: string;
  readonly leavesOut: string | null;
}

/** A link to what is looked at now: the position or what is engaged, the flow, and the input speed and torque. */
export function linkTo(state: TrainState): LinkTo {
  const link = new URLSearchParams();
  const { positionId, engaged } = engagementIn(state);
  if (positionId !== null) link.set('position', positionId);
  else if (engaged.length > 0) link.set('engaged', engaged.join(SEPARATOR));
  if (state.flow !== 'drive') link.set('flow', state.flow);
  const { speedUnit, torqueUnit } = unitsNow();
  link.set('speed', withUnit(state.speedText, speedUnit));
  const byLoads = state.given === 'loads';
  // A force is a torque on an arm of one's own, which the link does not know.
  const byForce = isForce(torqueUnit);
  if (!byLoads && !byForce) link.set('torque', withUnit(state.torqueText, torqueUnit));
  return {
    search: `?${link}`,
    leavesOut: byLoads ? 'the loads on the outputs' : byForce ? 'the force on your arm' : null,
  };
}

/** A bare figure with the unit that it is typed in. */
const withUnit = (text: string, unit: string): string =>
  /[a-z·/]\s*$/i.test(text.trim()) ? text.trim() : `${text.trim()} ${unit}`;
