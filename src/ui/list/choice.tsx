'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { say } from '@/core/words/say';
import '@/core/words/en/lists';

/** What can be done with several rows at once: each goes to an address with the ids of what is chosen. */
export interface Act {
  to: string;
  name: string;
}

/** The choice of many in a list. It is a plain form of the browser: what is chosen stands in the address it leads to. */
export function Choice({ acts, children }: { acts: readonly Act[]; children: ReactNode }) {
  const form = useRef<HTMLFormElement>(null);
  const [count, setCount] = useState(0);
  const boxes = () => [...(form.current?.querySelectorAll<HTMLInputElement>('input[name="id"]') ?? [])];
  const look = () => setCount(boxes().filter((box) => box.checked).length);
  // Coming back, the browser may have kept what was chosen.
  useEffect(() => {
    const frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  });
  return (
    <form
      ref={form}
      onChange={({ target }) => {
        const pressed = target as unknown as HTMLInputElement;
        if (pressed.dataset.all) boxes().forEach((box) => (box.checked = pressed.checked));
        look();
      }}
    >
      {children}
      <div className="choice d-flex flex-wrap gap-2 align-items-center mt-2" data-testid="choice">
        <span className={count ? 'fw-semibold' : 'quiet'} role="status">
          {say({ code: 'list.chosen', numbers: { count } })}
        </span>
        {acts.map((act) => (
          <button key={act.to} type="submit" formAction={act.to} className="btn btn-plain" disabled={count === 0}>
            {act.name}
          </button>
        ))}
      </div>
    </form>
  );
}
