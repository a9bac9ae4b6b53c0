/** Longer lines than this are no line of ours: the rest up to the next line end is dropped. */
const LONGEST = 65_536;

/**
 * Cuts what arrives in pieces into whole lines. A piece may end anywhere, also inside a line; line ends are LF or CRLF; empty lines are left out.
 *
 * @example
 * const splitter = new LineSplitter(); splitter.push('{"a"'); splitter.push(':1}\n') // ['{"a":1}']
 */
export class LineSplitter {
  private rest = '';
  private dropping = false;
  /** Lines that were too long and were dropped. */
  dropped = 0;

  push(piece: string): string[] {
    const parts = (this.rest + piece).split('\n');
    this.rest = parts.pop()!;
    const lines = parts.flatMap((part) => {
      if (this.dropping) {
        this.dropping = false;
        return [];
      }
      if (part.length > LONGEST) {
        this.dropped += 1;
        return [];
      }
      const line = part.replace(/\r$/, '').trim();
      return line ? [line] : [];
    });
    if (this.rest.length > LONGEST) {
      if (!this.dropping) this.dropped += 1;
      this.dropping = true;
      this.rest = '';
    }
    return lines;
  }
}
