import type { TextStream } from './link';

/** The part of the browser's serial port that is used: a port that was asked for and granted by a person. */
export interface SerialPortLike {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}

/** A device on the browser's serial port, as a stream of text. Errors: the port's own, when it can't be opened or has no way in and out. */
export async function serialStream(
  port: SerialPortLike,
  { baudRate = 115_200 }: { baudRate?: number } = {},
): Promise<TextStream> {
  await port.open({ baudRate });
  if (!port.readable || !port.writable) throw new Error('The port is open but gives nothing to read or write.');
  const texts: ((piece: string) => void)[] = [];
  const closes: ((reason: string) => void)[] = [];
  const reader = port.readable.getReader();
  const writer = port.writable.getWriter();
  // A sign may be cut between two pieces: the decoder keeps its first half.
  const decoder = new TextDecoder();
  const encoder = new TextEncoder();
  let reason = 'unplugged';
  let open = true;
  const shut = async () => {
    if (!open) return;
    open = false;
    await port.close();
  };
  const read = async () => {
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) break;
        const piece = decoder.decode(value, { stream: true });
        texts.forEach((listen) => listen(piece));
      }
    } catch (error) {
      reason = (error as Error).message;
    } finally {
      reader.releaseLock();
      // Unplugged: let go of it, so that it can be opened again when it is plugged in.
      if (reason !== 'closed here') {
        writer.releaseLock();
        await shut().catch(() => undefined);
      }
      closes.forEach((listen) => listen(reason));
    }
  };
  const reading = read();
  return {
    onText: (listen) => void texts.push(listen),
    onClose: (listen) => void closes.push(listen),
    write: (text) => writer.write(encoder.encode(text)),
    close: async () => {
      reason = 'closed here';
      await reader.cancel().catch(() => undefined);
      await reading;
      await writer.close().catch(() => undefined);
      await shut();
    },
  };
}
