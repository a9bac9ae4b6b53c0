'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Camera } from 'lucide-react';
import { say } from '@/core/words/say';

const CameraDialog = dynamic(() => import('./camera-dialog').then((module) => module.CameraDialog), { ssr: false });

/** The key in the bar that opens the camera as a scanner. What reads it is fetched when it is pressed: every page carries the bar. */
export function CameraScan({ onCode }: { onCode: (text: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="bar-button"
        aria-label={say({ code: 'camera.open' })}
        title={say({ code: 'camera.title' })}
        onClick={() => setOpen(true)}
      >
        <Camera size={17} aria-hidden />
      </button>
      {open && <CameraDialog onCode={onCode} close={() => setOpen(false)} />}
    </>
  );
}
