'use client';
import { useEffect, useRef, useState } from 'react';
import { Camera } from 'lucide-react';
import Modal from 'react-bootstrap/Modal';
import { say } from '@/core/words/say';

/** The camera of a phone or tablet as a scanner: the first code that it reads goes where a scan goes. Pictures never leave the device. */
export function CameraScan({ onCode }: { onCode: (text: string) => void }) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState('');
  // The dialog draws its content when it likes: the reading begins when the video is there.
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const latest = useRef(onCode);
  useEffect(() => {
    latest.current = onCode;
  });
  useEffect(() => {
    if (!video) return;
    let stop: (() => void) | null = null;
    let over = false;
    void (async () => {
      try {
        const { BrowserMultiFormatReader } = await import('@zxing/browser');
        if (over) return;
        const controls = await new BrowserMultiFormatReader().decodeFromConstraints(
          { video: { facingMode: 'environment' } },
          video,
          // Its own controls: the first picture may be read before the call comes back.
          (result, _error, own) => {
            if (!result || over) return;
            over = true;
            own.stop();
            setOpen(false);
            latest.current(result.getText());
          },
        );
        stop = () => controls.stop();
        if (over) controls.stop();
      } catch {
        setProblem(say({ code: 'camera.refused' }));
      }
    })();
    return () => {
      over = true;
      stop?.();
    };
  }, [video]);
  return (
    <>
      <button
        type="button"
        className="bar-button"
        aria-label={say({ code: 'camera.open' })}
        title={say({ code: 'camera.title' })}
        onClick={() => {
          setProblem('');
          setOpen(true);
        }}
      >
        <Camera size={17} aria-hidden />
      </button>
      <Modal show={open} onHide={() => setOpen(false)} aria-label={say({ code: 'camera.title' })}>
        <Modal.Header closeButton>
          <Modal.Title>{say({ code: 'camera.title' })}</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {problem ? (
            <p className="notice bad mb-0" role="alert">
              {problem}
            </p>
          ) : (
            <video ref={setVideo} muted playsInline style={{ width: '100%' }} />
          )}
        </Modal.Body>
      </Modal>
    </>
  );
}
