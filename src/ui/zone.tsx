'use client';
import { createContext, useContext, type ReactNode } from 'react';
import { dayIn } from './format';

const Zone = createContext('UTC');

/** On whose clock a day begins: the workshop's. A browser may stand elsewhere, and the server's own clock is nobody's. */
export const ZoneOf = ({ zone, children }: { zone: string; children: ReactNode }) => (
  <Zone.Provider value={zone}>{children}</Zone.Provider>
);
export const useZone = (): string => useContext(Zone);

/** The day of an instant, "24 Nov 2026", on the workshop's clock. */
export const DayOf = ({ at }: { at: string | Date }) => dayIn(at, useZone());
