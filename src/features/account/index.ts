export { signOutAction, signOutEverywhereAction } from './actions';
export { FactorPanel } from './factor-panel';
export { LockedClocks } from './locked-clocks';
export { LockScreen } from './lock-screen';
export { PasskeyPanel } from './passkey-panel';
export { PasswordPanel } from './password-panel';
export { SessionsPanel } from './sessions-panel';
export { SignInForm } from './sign-in-form';
export { UnlockPanel } from './unlock-panel';
