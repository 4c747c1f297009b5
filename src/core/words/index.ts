export { couplerName, gearName, memberName, setName } from './names';
export { couplerWords, gearWords, partWords } from './parts';
export { inOwnWords, inWords, namesIn, OWN_WORDS, WORD_CHOICES, type PartWords } from './schools';
export { unbalancedText } from './unbalanced';
export { bracketed, exact, listed, sentence } from './sentences';
