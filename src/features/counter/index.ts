export { ReceiveForm } from './receive-form';
export { ReturnButton } from './return-button';
export { ScanBox } from './scan-box';
export { TicketSlip } from './slip';
export { SamplesFields } from './samples-fields';
export { TicketPanel } from './ticket-panel';
export { HandBackPaper } from './hand-back-paper';
