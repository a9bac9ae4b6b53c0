/**
 * Highest (or, with sign -1, lowest) value of a moving window in constant time a reading: a queue of the readings that may still become the extreme.
 * Readings are named by their running number. The queue grows with the window, in powers of two.
 */
export class SlidingExtreme {
  private numbers = new Float64Array(256);
  private signed = new Float64Array(256);
  private mask = 255;
  private head = 0;
  private tail = 0;

  constructor(private readonly sign: 1 | -1) {}

  add(number: number, value: number): void {
    const { mask, signed, head } = this;
    const mine = value * this.sign;
    let tail = this.tail;
    while (tail > head && signed[(tail - 1) & mask]! <= mine) tail -= 1;
    if (tail - head > mask) return this.grow(number, value);
    signed[tail & mask] = mine;
    this.numbers[tail & mask] = number;
    this.tail = tail + 1;
  }

  /** Lets go of everything before a running number. */
  dropBefore(number: number): void {
    while (this.head < this.tail && this.numbers[this.head & this.mask]! < number) this.head += 1;
  }

  clear(): void {
    this.head = this.tail = 0;
  }

  value(): number {
    return this.signed[this.head & this.mask]! * this.sign;
  }

  private grow(number: number, value: number): void {
    const size = this.numbers.length * 2;
    const [numbers, signed] = [new Float64Array(size), new Float64Array(size)];
    for (let i = this.head; i < this.tail; i += 1) {
      numbers[i & (size - 1)] = this.numbers[i & this.mask]!;
      signed[i & (size - 1)] = this.signed[i & this.mask]!;
    }
    Object.assign(this, { numbers, signed, mask: size - 1 });
    this.add(number, value);
  }
}
