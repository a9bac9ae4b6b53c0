export { approveRun, sendBack, type Issued } from './server/approve';
export { reviseCertificate } from './server/revise';
export { certificateById, listCertificates, verifyToken, waitingForApproval, type Verification } from './server/find';
export { certificatePdfOf } from './server/pdf';
export { certificateDefinition, drawCertificate, drawDefinition } from './server/draw';
export { signatureHolds } from './server/sign';
export { noticeFor } from './server/notice';
