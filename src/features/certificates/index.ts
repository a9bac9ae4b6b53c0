export { ApprovalView } from './approval-view';
export { CertificateTable } from './certificate-table';
export { CertificateView } from './certificate-view';
export { PasswordToSign } from './password-to-sign';
export { LabelView } from './label-view';
export { VerifyView } from './verify-view';
export { WaitingTable } from './waiting-table';
