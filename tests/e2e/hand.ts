import type { Page } from '@playwright/test';

/**
 * Times of an ordinary person at a keyboard, s: a key, pointing at something and pressing it, the hand from one to the other, and making up one's mind. Source: Card, Moran and Newell, The keystroke-level model,
 * Communications of the ACM 23 (1980), from memory.
 */
const [KEY, POINT, PRESS, HOME, MIND] = [0.28, 1.1, 0.2, 0.4, 1.35];
/** A newcomer reads what stands there before each act: so many times as long as somebody who knows. From memory of watching, not measured. */
const NEWCOMER = 3;

export interface Counted {
  presses: number;
  entries: number;
  signs: number;
}

/** A person's work in figures. */
export class Hand {
  constructor(
    readonly counted: Counted,
    private booked: Counted = { presses: 0, entries: 0, signs: 0 },
  ) {}

  /** Since it was last asked. */
  since(): Hand {
    const { presses, entries, signs } = this.counted;
    const before = this.booked;
    this.booked = { presses, entries, signs };
    return new Hand({ presses: presses - before.presses, entries: entries - before.entries, signs: signs - before.signs });
  }

  /** Minutes that a newcomer takes for it. */
  get minutes(): number {
    const { presses, entries, signs } = this.counted;
    const known = presses * (MIND + POINT + PRESS) + entries * (MIND + POINT + PRESS + 2 * HOME) + signs * KEY;
    return (known * NEWCOMER) / 60;
  }

  toString(): string {
    const { presses, entries, signs } = this.counted;
    return `${presses} presses, ${entries} entries of ${signs} signs, about ${this.minutes.toFixed(1)} min`;
  }
}

/** Counts on a page, over all that it goes to: what is pressed, what is filled in, how many signs were typed. */
export async function countHand(page: Page): Promise<Hand> {
  const counted: Counted = { presses: 0, entries: 0, signs: 0 };
  await page.exposeBinding('werkbankHand', (_source, kind: 'press' | 'entry', signs: number) => {
    if (kind === 'press') counted.presses += 1;
    else counted.entries += 1;
    counted.signs += signs;
  });
  await page.addInitScript(() => {
    const told = (globalThis as unknown as { werkbankHand: (kind: string, signs: number) => void }).werkbankHand;
    addEventListener('click', (event) => event.isTrusted && told('press', 0), true);
    addEventListener('keydown', (event) => event.isTrusted && !event.repeat && told('press', 0), true);
    addEventListener(
      'input',
      (event) => {
        const field = event.target as HTMLInputElement;
        if (!['checkbox', 'radio'].includes(field.type)) told('entry', field.tagName === 'SELECT' ? 1 : field.value.length);
      },
      true,
    );
  });
  return new Hand(counted);
}
