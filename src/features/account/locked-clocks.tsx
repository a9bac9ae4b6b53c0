'use client';
import dynamic from 'next/dynamic';

/** The bench's clocks on a locked screen: fetched when a screen is locked, so that no page carries the bench along for it. */
export const LockedClocks = dynamic(() => import('@/features/bench').then((bench) => bench.LockedStrip), { ssr: false });
