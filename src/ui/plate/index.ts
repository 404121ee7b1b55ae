export { Plate, type PlateKind } from './Plate';
