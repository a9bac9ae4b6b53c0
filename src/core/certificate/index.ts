import type { CertificateVersion1 } from './version-1';
import { SCHEMA_2, type CertificateVersion2 } from './version-2';

export type { CertificateVersion1 } from './version-1';
export type { CertificateVersion2, DocumentKind, MeasuredText } from './version-2';
export type CertificateContent = CertificateVersion1 | CertificateVersion2;

export const isVersion2 = (content: CertificateContent): content is CertificateVersion2 => content.schema === SCHEMA_2;
