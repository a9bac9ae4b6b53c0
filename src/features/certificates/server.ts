export { approveRun, sendBack, type Issued } from './server/approve';
export { reopenCertificate, reviseCertificate } from './server/revise';
export { withdrawCertificate } from './server/withdraw';
export {
  certificateById,
  certificatesCsv,
  listCertificates,
  publicWorkshop,
  verifyToken,
  waitingForApproval,
  type Verification,
} from './server/find';
export { documentJson } from './server/json';
export { drawJob } from './server/draw-job';
export { certificatePdfOf, drawAndKeep, keptPdf } from './server/pdf';
export { certificateDefinition, drawCertificate } from './server/draw';
export { ownKey, publishedKeys, signatureHolds, type PublicKey } from './server/sign';
export { noticeFor } from './server/notice';
export { documentsZip, MOST_DOCUMENTS } from './server/zip';
