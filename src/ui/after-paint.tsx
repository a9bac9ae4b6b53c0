'use client';
import { useEffect, useState, type ReactNode } from 'react';

/** What stands below the work and is drawn by the browser alone: it comes once the work itself is painted, and holds none of it up. */
export function AfterPaint({ children }: { children: ReactNode }) {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    let timer = 0;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => setPainted(true), 0);
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, []);
  return painted ? children : null;
}
