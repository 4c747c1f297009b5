export {
  FORCE_UNITS,
  isForce,
  LENGTH_UNITS,
  MAX_INPUT,
  powerInWatts,
  readQuantity,
  SPEED_UNITS,
  TORQUE_UNITS,
  torqueTable,
  type ForceUnit,
  type Quantity,
  type SpeedUnit,
  type TorqueUnit,
} from './units';
export { figure, ratioFigure, ratioIn, ratioText, wayText, type RatioConvention } from './format';
