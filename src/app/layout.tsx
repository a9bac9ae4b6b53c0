import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@/ui/theme/werkbank.scss';

const sans = localFont({
  variable: '--font-sans',
  display: 'swap',
  src: [
    { path: '../../node_modules/@expo-google-fonts/source-sans-3/400Regular/SourceSans3_400Regular.ttf', weight: '400' },
    { path: '../../node_modules/@expo-google-fonts/source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf', weight: '600' },
    { path: '../../node_modules/@expo-google-fonts/source-sans-3/700Bold/SourceSans3_700Bold.ttf', weight: '700' },
  ],
});
const mono = localFont({
  variable: '--font-mono',
  display: 'swap',
  src: [
    { path: '../../node_modules/@expo-google-fonts/jetbrains-mono/400Regular/JetBrainsMono_400Regular.ttf', weight: '400' },
    { path: '../../node_modules/@expo-google-fonts/jetbrains-mono/600SemiBold/JetBrainsMono_600SemiBold.ttf', weight: '600' },
  ],
});

export const metadata: Metadata = {
  title: { default: 'Werkbank', template: '%s · Werkbank' },
  description: 'The bench of a calibration workshop.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

const FOLLOW_SYSTEM = `(() => {
  const system = matchMedia('(prefers-color-scheme: dark)');
  const follow = () => {
    if (!/(^|; )theme=/.test(document.cookie)) document.documentElement.dataset.bsTheme = system.matches ? 'dark' : 'light';
  };
  follow();
  system.addEventListener('change', follow);
})();`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get('theme')?.value;
  const theme = chosen === 'dark' ? 'dark' : 'light';
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" data-bs-theme={theme} className={`${sans.variable} ${mono.variable}`} suppressHydrationWarning>
      <head>
        {/* Before anything is painted: dark or light as the system is, until somebody chooses. */}
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: FOLLOW_SYSTEM }} suppressHydrationWarning />
      </head>
      <body>{children}</body>
    </html>
  );
}
