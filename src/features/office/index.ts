export { AuditTable } from './audit-table';
export { HouseBar } from './house-bar';
export { ChangesTable } from './changes-table';
export { InstallationPanel } from './installation-panel';
export { HousePanel } from './house-panel';
export { SettingsForm } from './office-panels';
export { UserPanel } from './people-panel';
export { WaysPanel } from './ways-panel';
