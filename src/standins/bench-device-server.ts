import { readFileSync } from 'node:fs';
import type { Tag } from '@/core/live/said';
import { serveBenchDevice, type BenchDevice } from './bench-device/bench-device';

/** A tag reader, barometer, flow meter, thermometer or hygrometer as a process of its own. DEVICE, SERIAL, PORT, PANEL_PORT and TAGS (a JSON file) by environment. */
const { DEVICE = 'barometer', SERIAL = 'SIM-B', PORT = '0', PANEL_PORT = '0', TAGS = '' } = process.env;
if (!['tagReader', 'barometer', 'flowMeter', 'thermometer', 'hygrometer'].includes(DEVICE)) {
  console.error(`DEVICE must be tagReader, barometer, flowMeter, thermometer or hygrometer, got ${DEVICE}.`);
  process.exit(1);
}
const served = await serveBenchDevice(DEVICE as BenchDevice, {
  serial: SERIAL,
  port: Number(PORT),
  panelPort: Number(PANEL_PORT),
  tags: TAGS ? (JSON.parse(readFileSync(TAGS, 'utf8')) as Omit<Tag, 'type'>[]) : [],
});
console.log(`${DEVICE} ${SERIAL}: line on port ${served.port}, panel on port ${served.panelPort}`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void served.close().then(() => process.exit(0)));
