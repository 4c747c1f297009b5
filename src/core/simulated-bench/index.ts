export { simulatedBench, type Instrument, type SimulatedBench } from './bench';
export type { Trick } from './secret';
