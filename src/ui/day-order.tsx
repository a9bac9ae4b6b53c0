'use client';
import { createContext, useContext, type ReactNode } from 'react';
import type { DayOrder } from '@/core/quantity/read-day';

const Order = createContext<DayOrder>('dayFirst');

/** Which of two figures the workshop means by the day: 3/4/2026. */
export const DayOrderOf = ({ order, children }: { order: DayOrder; children: ReactNode }) => (
  <Order.Provider value={order}>{children}</Order.Provider>
);
export const useDayOrder = (): DayOrder => useContext(Order);
