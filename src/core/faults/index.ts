export { faultWords, placeToLookAt } from './fault-words';
export { singleFaults, withFaults, type Fault, type FaultKind } from './hypotheses';
export { nextTestFor, type NextTest } from './next-test';
export { behavioursOf, outcomeKey, type Behaviour, type Outcome } from './outcome';
export { readSeen, sightingsOf, type Seen } from './seen';
export { suspectsFor, type Suspect, type Suspected } from './suspects';
