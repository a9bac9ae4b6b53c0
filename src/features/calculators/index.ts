export { CalculatorsRoom } from './calculators-room';
