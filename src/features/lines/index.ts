export { MeterPanel, SerialButton, StandInPanel } from './lazy';
export { DevicesView } from './devices-view';
export { HoldTag } from './hold-tag';
