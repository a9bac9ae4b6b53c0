import type { Frame, Hello } from './said';

export type GuardVerdict =
  { ok: true; frame: Frame; dropped: string[] } | { ok: false; code: 'backwards' | 'noHello' | 'nothingLeft'; sentence: string };

/**
 * What a line says is looked at before anyone believes it: time that runs backwards, a slot that does not exist, a unit that is not the channel's, a figure that no such display can show.
 * What is not in order is left out and named; it is never an error thrown. Unit of time: s.
 *
 * @example
 * const guard = new FrameGuard(); guard.hello(hello); guard.check(frame) // { ok: true, frame, dropped: [] }
 */
export class FrameGuard {
  private hello_: Hello | null = null;
  private last = -Infinity;

  hello(hello: Hello): void {
    this.hello_ = hello;
    this.last = -Infinity;
  }

  check(frame: Frame): GuardVerdict {
    const hello = this.hello_;
    if (!hello) return { ok: false, code: 'noHello', sentence: 'A reading came before the device said who it is.' };
    if (!(frame.seconds > this.last))
      return {
        ok: false,
        code: 'backwards',
        sentence: `Its time ran backwards, from ${this.last} s to ${frame.seconds} s.`,
      };
    this.last = frame.seconds;
    const dropped: string[] = [];
    const seen = new Set<number>();
    const readings = frame.readings.filter((reading) => {
      const info = hello.channels.find((channel) => channel.slot === reading.slot);
      const problem = !info
        ? `slot ${reading.slot} does not exist`
        : seen.has(reading.slot)
          ? `slot ${reading.slot} came twice`
          : reading.unit !== undefined && reading.unit !== info.unit
            ? `${info.measurand} came in ${reading.unit} instead of ${info.unit}`
            : reading.status === 'value' && absurd(reading.text, info)
              ? `${info.measurand} ${reading.text} ${info.unit} is outside anything its display can show`
              : null;
      if (problem) dropped.push(problem);
      else seen.add(reading.slot);
      return !problem;
    });
    if (readings.length === 0 && frame.readings.length > 0)
      return { ok: false, code: 'nothingLeft', sentence: `Nothing usable: ${dropped[0]}.` };
    return { ok: true, frame: { ...frame, readings }, dropped };
  }
}

/** A display shows a little below its lowest and nothing above its highest figure. */
function absurd(text: string, info: { lowest: string; highest: string }): boolean {
  const [value, lowest, highest] = [Number(text), Number(info.lowest), Number(info.highest)];
  const span = highest - lowest;
  return !(value >= lowest - span / 4 && value <= highest + span / 100);
}
