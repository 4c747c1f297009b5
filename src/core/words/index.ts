export { couplerName, gearName, memberName, setName } from './names';
export { couplerWords, gearWords, partWords } from './parts';
export { bracketed, exact, listed, sentence } from './sentences';
