export { signOutAction, signOutEverywhereAction } from './actions';
export { FactorPanel } from './factor-panel';
export { askLock } from './lock-asked';
export { LockScreen } from './lock-screen';
export { PasskeyPanel } from './passkey-panel';
export { PasswordPanel } from './password-panel';
export { SessionsPanel } from './sessions-panel';
export { SignInForm } from './sign-in-form';
export { UnlockPanel } from './unlock-panel';
