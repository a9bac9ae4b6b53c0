import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { cookies } from 'next/headers';
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

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get('theme')?.value === 'dark' ? 'dark' : 'light';
  return (
    <html lang="en" data-bs-theme={theme} className={`${sans.variable} ${mono.variable}`} suppressHydrationWarning>
      <body>{children}</body>
    </html>
  );
}
