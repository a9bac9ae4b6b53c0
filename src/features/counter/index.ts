export { ReceiveForm } from './receive-form';
export { ReturnButton } from './return-button';
export { ScanBox } from './scan-box';
export { TicketSlip } from './slip';
