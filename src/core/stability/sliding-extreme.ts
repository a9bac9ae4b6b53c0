/**
 * Highest (or lowest) value of a moving window in constant time a reading: a queue of the readings that may still become the extreme.
 * The values themselves stay in the caller's ring; readings are named by their running number.
 */
export class SlidingExtreme {
  private readonly queue: Float64Array;
  private head = 0;
  private tail = 0;

  constructor(
    private readonly capacity: number,
    private readonly sign: 1 | -1,
  ) {
    this.queue = new Float64Array(capacity);
  }

  add(number: number, ring: Float64Array): void {
    const value = ring[number % this.capacity]! * this.sign;
    while (this.tail > this.head && ring[this.queue[(this.tail - 1) % this.capacity]! % this.capacity]! * this.sign <= value)
      this.tail -= 1;
    this.queue[this.tail % this.capacity] = number;
    this.tail += 1;
  }

  drop(number: number): void {
    if (this.tail > this.head && this.queue[this.head % this.capacity] === number) this.head += 1;
  }

  clear(): void {
    this.head = this.tail = 0;
  }

  value(ring: Float64Array): number {
    return ring[this.queue[this.head % this.capacity]! % this.capacity]!;
  }
}
