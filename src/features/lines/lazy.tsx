'use client';
import dynamic from 'next/dynamic';

// Where a simulated instrument or a serial cable is, and only there, these are fetched.
export const StandInPanel = dynamic(() => import('./stand-in-panel').then((module) => module.StandInPanel), { ssr: false });
export const MeterPanel = dynamic(() => import('./meter-panel').then((module) => module.MeterPanel), { ssr: false });
/** The server has no serial port: nothing is lost by leaving it to the browser. */
export const SerialButton = dynamic(() => import('./serial-button').then((module) => module.SerialButton), { ssr: false });
