'use client';
import { useEffect, useRef, useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { say } from '@/core/words/say';

/** The camera of a phone or tablet as a scanner: the first code that it reads goes where a scan goes. Pictures never leave the device. */
export function CameraDialog({ onCode, close }: { onCode: (text: string) => void; close: () => void }) {
  const [problem, setProblem] = useState('');
  // The dialog draws its content when it likes: the reading begins when the video is there.
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const latest = useRef({ onCode, close });
  useEffect(() => {
    latest.current = { onCode, close };
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
            latest.current.close();
            latest.current.onCode(result.getText());
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
    <Modal show onHide={close} aria-label={say({ code: 'camera.title' })}>
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
  );
}
