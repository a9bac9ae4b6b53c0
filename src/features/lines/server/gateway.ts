import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import type { Database } from '@/data/connection';
import { deviceLine } from '@/data/schema';
import { LineReader } from '@/instruments/line-reader';
import { allowedAddress, deviceNetworks } from '@/instruments/allowed-network';
import { tcpStream } from '@/instruments/tcp-stream';
import { log } from '@/platform/log';
import { simulated } from '@/platform/simulated';
import { holdLease, giveUpLease } from './lease';
import { answerPanels, forgetPanelAsks } from './panel-asks';
import { closeSilentBrowsers, writeLineFrames, writeLineState } from './write-line';

const FRAME_MS = 250;
const LEASE_MS = 1000;
const KEEP_MINUTES = 30;

/**
 * The one process that owns the sockets of the devices: holds the lease, reads every line, writes what came in frames of about 250 ms and tells the web processes.
 * Several may run; the others wait for the lease.
 */
export class Gateway {
  readonly holder = `gateway-${process.pid}-${randomUUID().slice(0, 8)}`;
  private readers = new Map<string, { reader: LineReader; address: string }>();
  private timers: NodeJS.Timeout[] = [];
  private owns = false;
  private writing = false;
  private cleaned = 0;
  private logged = new Map<string, number>();
  private readonly may = deviceNetworks();
  private deafen = () => undefined as void;

  constructor(private readonly db: Database) {}

  start(): void {
    if (simulated()) this.deafen = answerPanels(this.db, () => this.owns);
    void this.lease();
    this.timers = [setInterval(() => void this.lease(), LEASE_MS), setInterval(() => void this.write(), FRAME_MS)];
  }

  async stop(): Promise<void> {
    this.deafen();
    this.timers.forEach(clearInterval);
    await this.letGo();
    await giveUpLease(this.db, this.holder).catch(() => undefined);
  }

  private async lease(): Promise<void> {
    try {
      const owns = await holdLease(this.db, this.holder);
      if (owns !== this.owns) log.info({ holder: this.holder, owns }, 'gateway lease');
      this.owns = owns;
      if (owns) await this.lookAtLines();
      else await this.letGo();
      if (owns && Date.now() - this.cleaned > 60_000) {
        this.cleaned = Date.now();
        await this.db.execute(sql`delete from live_frame where at < now() - make_interval(mins => ${KEEP_MINUTES})`);
        await forgetPanelAsks(this.db);
      }
    } catch (error) {
      // The database is away: nothing can be written, so nothing is owned. It is tried again by the clock.
      log.warn({ error: String(error) }, 'gateway without the database');
    }
  }

  private async lookAtLines(): Promise<void> {
    await closeSilentBrowsers(this.db);
    const rows = await this.db.select().from(deviceLine).where(eq(deviceLine.via, 'tcp'));
    for (const row of rows) {
      const address = `${row.host}:${row.port}`;
      const known = this.readers.get(row.id);
      if (known?.address === address) continue;
      await known?.reader.stop();
      const reader = new LineReader(
        async () => tcpStream({ host: await allowedAddress(row.host, this.may), port: row.port }),
        (why, count) => this.sayDropped(row.id, address, why, count),
      );
      this.readers.set(row.id, { reader, address });
      reader.start();
    }
    for (const [id, { reader }] of this.readers)
      if (!rows.some((row) => row.id === id)) {
        this.readers.delete(id);
        await reader.stop();
      }
  }

  /** The log gets the first and then every hundredth: a device gone wild must not fill the disk. */
  private sayDropped(id: string, address: string, why: string, count: number): void {
    const last = this.logged.get(id) ?? 0;
    if (last && count - last < 100) return;
    this.logged.set(id, count);
    log.warn({ line: address, why, count }, 'line dropped');
  }

  private async letGo(): Promise<void> {
    const readers = [...this.readers.values()];
    this.readers.clear();
    await Promise.all(readers.map(({ reader }) => reader.stop()));
  }

  private async write(): Promise<void> {
    if (this.writing || !this.owns) return;
    this.writing = true;
    for (const [id, { reader }] of this.readers) {
      try {
        if (reader.changed) await this.writeState(id, reader);
        const said = reader.takeWaiting();
        if (said.length) await writeLineFrames(this.db, id, said);
      } catch (error) {
        // One line that can't be written (just taken off the list, say) must not keep the others waiting.
        log.warn({ line: id, error: String(error) }, 'gateway could not write');
      }
    }
    this.writing = false;
  }

  private async writeState(id: string, reader: LineReader): Promise<void> {
    reader.changed = false;
    try {
      await writeLineState(this.db, id, reader.state);
    } catch (error) {
      // Not told yet: the next round tells it.
      reader.changed = true;
      throw error;
    }
  }
}
