export { ApprovalView } from './approval-view';
export { CertificateView } from './certificate-view';
export { LabelView } from './label-view';
export { VerifyView } from './verify-view';
