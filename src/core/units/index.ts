export {
  FORCE_UNITS,
  isForce,
  powerInWatts,
  SPEED_UNITS,
  TORQUE_UNITS,
  torqueTable,
  type ForceUnit,
  type SpeedUnit,
  type TorqueUnit,
} from './units';
export { GRAVITY } from './constants';
export { readFigure, splitFigure } from './figure';
export { figure, ratioFigure, tickText, ratioByConvention, ratioText, wayText, type RatioConvention } from './format';
export { inOtherUnit } from './convert';
export { readQuantity, type Quantity } from './quantity';
