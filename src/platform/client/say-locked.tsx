'use client';
import { useEffect } from 'react';
import { sayLocked } from './locked';

/** Stands where a page would: the house says that this screen is locked, and whatever covers it hears of it. */
export function SayLocked() {
  useEffect(sayLocked, []);
  return null;
}
