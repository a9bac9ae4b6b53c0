'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import {
  BAUD_RATES,
  closeSerialPort,
  hasSerialPorts,
  keepBaud,
  keptBaud,
  listenToSerial,
  noSerialView,
  openSerialPort,
  reopenSerialPort,
  serialView,
} from './serial-port';

const never = () => () => undefined;
/** Known only in the browser; the server draws it without. */
const useHasPorts = () => useSyncExternalStore(never, hasSerialPorts, () => false);

/** Opens this computer's serial port for the instrument in hand, and says what is read off it. */
export function SerialButton({ quiet = false }: { quiet?: boolean }) {
  const has = useHasPorts();
  const { phase, words } = useSyncExternalStore(listenToSerial, serialView, noSerialView);
  useEffect(() => {
    void reopenSerialPort();
  }, []);
  if (!has)
    return quiet ? null : (
      <p className="quiet mb-0">This browser gives no serial port; a Chromium-based one over a secure address does.</p>
    );
  const open = phase !== 'closed';
  return (
    <span className="serial-button ms-2" data-testid="serial-port">
      <Button variant="plain" size="sm" onClick={() => void (open ? closeSerialPort() : openSerialPort())}>
        {open ? 'Close the serial port' : 'Read this computer’s serial port'}
      </Button>
      {words && !(quiet && phase === 'reading') && (
        <span className={phase === 'reading' ? 'small quiet' : 'small field-problem'} role="status">
          {' '}
          {words}
        </span>
      )}
    </span>
  );
}

/** The same with its speed, for the page of devices. */
export function SerialPanel() {
  const has = useHasPorts();
  const [baud, setBaud] = useState<number | null>(null);
  return (
    <div className="sheet mt-3">
      <h2>On this computer</h2>
      <p className="quiet small">
        An instrument on a serial cable that speaks the line protocol is read by this browser. It stays connected while this
        window is open; its readings go to its run sheet like those of any other line.
      </p>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        {has && (
          <Form.Label className="d-flex gap-2 align-items-center mb-0">
            Speed, baud
            <Form.Select
              className="mono"
              style={{ width: '8rem' }}
              value={baud ?? keptBaud()}
              onChange={(event) => {
                keepBaud(Number(event.target.value));
                setBaud(Number(event.target.value));
              }}
            >
              {BAUD_RATES.map((rate) => (
                <option key={rate} value={rate}>
                  {rate}
                </option>
              ))}
            </Form.Select>
          </Form.Label>
        )}
        <SerialButton />
      </div>
    </div>
  );
}
