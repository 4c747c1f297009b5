export { couplerName, gearName, memberName, setName } from './names';
export { couplerWords, gearWords, partWords } from './parts';
export { unbalancedText } from './unbalanced';
export { bracketed, exact, listed, sentence } from './sentences';
