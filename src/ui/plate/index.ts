export { LeverSign } from './LeverSign';
export { NumberPlate } from './NumberPlate';
export { Plate, type PlateKind } from './Plate';
