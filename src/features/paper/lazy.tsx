'use client';
import dynamic from 'next/dynamic';

/** Few runs come from paper: the strip of photos is fetched where there are some. */
export const PhotoStrip = dynamic(() => import('./photo-strip').then((module) => module.PhotoStrip));
