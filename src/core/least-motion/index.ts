export { leastMotion, type Form, type LeastMotion, type Programme } from './least-motion';
export { holding } from './holding';
export { leadAmong } from './among';
