import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { often } from '@/core/often.fixture';
import { FrameGuard } from '@/core/live/frame-guard';
import { LINE_PROTOCOL } from '@/core/live/said';
import { LineSplitter } from './line-splitter';
import { parseLine } from './parse-line';

/** Something like a line of ours, with anything in any of its places. */
const anything = fc.anything({ maxDepth: 3, withNullPrototype: false });
const nearly = fc
  .record(
    {
      type: fc.oneof(fc.constantFrom('hello', 'frame', 'notice', 'answer', 'facts', 'tag', '__proto__', 'constructor'), anything),
      protocol: fc.oneof(fc.constant(LINE_PROTOCOL), anything),
      seconds: fc.oneof(fc.double(), anything),
      readings: fc.oneof(
        fc.array(fc.record({ slot: anything, text: anything, status: anything, unit: anything }), { maxLength: 4 }),
        anything,
      ),
      mode: fc.oneof(fc.constant('measure'), anything),
      pump: fc.oneof(fc.constant('on'), anything),
      alarm: anything,
      channels: anything,
      notice: anything,
      components: anything,
      keys: anything,
    },
    { requiredKeys: [] },
  )
  .map((value) => {
    try {
      return JSON.stringify(value) ?? 'undefined';
    } catch {
      return '{';
    }
  });

describe('whatever a device says', () => {
  it('thousands of lines that are nearly ours: each is read or refused with a sentence, nothing is thrown, nothing unseemly gets through', () => {
    const guard = new FrameGuard();
    fc.assert(
      fc.property(fc.oneof(nearly, fc.string(), fc.json()), (line) => {
        const parsed = parseLine(line);
        if (!parsed.ok) {
          expect(parsed.sentence.length).toBeGreaterThan(10);
          return;
        }
        if (parsed.said.type === 'hello') guard.hello(parsed.said);
        if (parsed.said.type === 'frame') {
          const verdict = guard.check(parsed.said);
          if (verdict.ok)
            for (const one of verdict.frame.readings)
              expect(one.status === 'value' ? Number.isFinite(Number(one.text)) : true).toBe(true);
        }
      }),
      { numRuns: often(10_000) },
    );
  }, 60_000);
  it('however a stream is cut, the same lines come out', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.string({ maxLength: 30 }).map((text) => text.replaceAll(/[\r\n]/g, '').trim()),
          { maxLength: 8 },
        ),
        fc.infiniteStream(fc.integer({ min: 1, max: 7 })),
        (lines, cuts) => {
          const text = lines.map((line) => `${line}\n`).join('');
          const splitter = new LineSplitter();
          const out: string[] = [];
          for (let at = 0; at < text.length;) {
            const size = cuts.next().value as number;
            out.push(...splitter.push(text.slice(at, at + size)));
            at += size;
          }
          expect(out).toEqual(lines.filter(Boolean));
        },
      ),
      { numRuns: 1000 },
    );
  });
});
