export { gcd } from './gcd';
export {
  abs,
  add,
  compare,
  div,
  equals,
  fraction,
  fromDecimal,
  inverse,
  isZero,
  MINUS_ONE,
  mul,
  neg,
  ONE,
  parseRational,
  sign,
  sub,
  sum,
  toFraction,
  toNumber,
  ZERO,
  type Rational,
} from './rational';
export { entryAt } from './row';
export { accumulate, solveFor, type LinearCombination } from './combination';
export { solveDense, type Solutions } from './dense';
