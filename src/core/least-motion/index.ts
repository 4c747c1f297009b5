export { leastMotion, type QuadraticForm, type LeastMotion, type Programme } from './least-motion';
export { holding } from './holding';
export { leadAmong } from './among';
