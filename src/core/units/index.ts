export {
  FORCE_UNITS,
  isForce,
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
export { figure, ratioFigure, ratioByConvention, ratioText, wayText, type RatioConvention } from './format';
