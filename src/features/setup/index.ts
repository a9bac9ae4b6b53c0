export { FirstWeek } from './first-week';
export { MailServerPanel } from './mail-server-panel';
export { SetUpForm } from './set-up-form';
export { ReturnsPanel } from './returns-panel';
