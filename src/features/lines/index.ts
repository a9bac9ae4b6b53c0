export { StandInPanel } from './stand-in-panel';
export { MeterPanel } from './meter-panel';
export { DevicesView } from './devices-view';
export { HoldTag } from './hold-tag';
export { SerialButton } from './serial-button';
