import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import QRCode from 'qrcode';
import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

const FILM = join(mkdtempSync(join(tmpdir(), 'werkbank-camera-')), 'code.y4m');
const [WIDTH, HEIGHT, MODULE] = [640, 480, 10];

/** What a camera sees that is held before a code: a film of one still, in the form that Chromium's pretended camera plays (YUV4MPEG2). */
function film(text: string): Buffer {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const luma = Buffer.alloc(WIDTH * HEIGHT, 235);
  const [left, top] = [(WIDTH - modules.size * MODULE) >> 1, (HEIGHT - modules.size * MODULE) >> 1];
  for (let y = 0; y < modules.size * MODULE; y += 1)
    for (let x = 0; x < modules.size * MODULE; x += 1)
      if (modules.get(Math.floor(y / MODULE), Math.floor(x / MODULE))) luma[(top + y) * WIDTH + left + x] = 16;
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, Buffer.alloc((WIDTH * HEIGHT) / 2, 128)]);
  return Buffer.concat([
    Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420mpeg2\n`),
    ...Array.from({ length: 10 }, () => frame),
  ]);
}
// The film has to be there before the browser is.
writeFileSync(FILM, film('FG-1402'));

test.use({
  launchOptions: {
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${FILM}`,
    ],
  },
});

test('the camera of a tablet reads a code: it goes where a scan goes', async ({ page }) => {
  const [lot] = await query<{ id: string }>("select id from reference where lot = 'FG-1402'");
  await signIn(page, 'technician');
  await page.getByRole('button', { name: 'Camera' }).click();
  await page.waitForURL(`**/shelf#${lot!.id}`, { timeout: 45_000 });
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
