export { AuditTable } from './audit-table';
export { HouseBar } from './house-bar';
export { SettingsForm, UserPanel } from './office-panels';
export { SignInForm } from './sign-in-form';
export { WaysPanel } from './ways-panel';
