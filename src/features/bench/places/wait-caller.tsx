'use client';
import { useEffect, useRef, useState } from 'react';
import { Bell, BellOff } from 'lucide-react';
import { useNow } from '@/ui/running-clock';
import type { BoardTicket } from '../server/board';
import { soundIsOn, soundOff, tone } from './sound';

/** Seconds of open gas after which it is called loudly: longer than any reading takes. */
const GAS_FORGOTTEN = 240;
const CALL_AGAIN_MS = 15_000;

interface Call {
  key: string;
  text: string;
  loud: boolean;
}

/** What called already, in this window: going from the bench to a sheet is no reason to call again. */
const CALLED = new Map<string, number>();

/** Calls when a wait is over, in sight and by sound, and when a valve was forgotten. The sound can be switched off; the sign can't. */
export function WaitCaller({ places }: { places: BoardTicket[] }) {
  const now = useNow(1000);
  const [sound, setSound] = useState(true);
  useEffect(() => {
    const timer = setTimeout(() => setSound(soundIsOn()), 0);
    return () => clearTimeout(timer);
  }, []);
  const calls = now === null ? [] : places.flatMap((place) => callsOf(place, now));
  const keys = calls.map((call) => call.key).join();
  const latest = useRef(calls);
  useEffect(() => {
    latest.current = calls;
  });
  useEffect(() => {
    if (now === null) return;
    for (const call of latest.current) {
      const last = CALLED.get(call.key);
      if (last !== undefined && (!call.loud || now - last < CALL_AGAIN_MS)) continue;
      CALLED.set(call.key, now);
      if (sound) tone(call.loud ? 'alarm' : 'ready');
    }
    // A clock ticks every second; only a call that is new or due again sounds.
  }, [keys, now, sound]);
  return (
    <div className="caller" aria-live="assertive">
      {calls.map((call) => (
        <p key={call.key} className={`call${call.loud ? ' loud' : ''}`} role={call.loud ? 'alert' : 'status'}>
          {call.text}
        </p>
      ))}
      <button
        type="button"
        className="btn btn-plain btn-sm"
        aria-pressed={sound}
        onClick={() => {
          soundOff(sound);
          setSound(!sound);
        }}
      >
        {sound ? <Bell size={15} aria-hidden /> : <BellOff size={15} aria-hidden />} {sound ? 'Sound on' : 'Sound off'}
      </button>
    </div>
  );
}

function callsOf(place: BoardTicket, now: number): Call[] {
  const name = `Place ${place.place}, ${place.model}`;
  const gas = place.next?.gasSince;
  if (gas) {
    const seconds = (now - Date.parse(gas)) / 1000;
    return seconds > GAS_FORGOTTEN
      ? [
          {
            key: `gas/${place.id}/${gas}`,
            text: `${name}: gas has been open for ${Math.floor(seconds / 60)} min. Close it.`,
            loud: true,
          },
        ]
      : [];
  }
  const until = place.runId
    ? place.next?.waitsUntil
    : place.placedAt && place.warmUpSeconds !== null
      ? new Date(Date.parse(place.placedAt) + place.warmUpSeconds * 1000).toISOString()
      : null;
  if (!until || Date.parse(until) > now) return [];
  // What was ready long ago needs no call: it stands there with its clock.
  if (now - Date.parse(until) > 600_000) return [];
  return [{ key: `wait/${place.id}/${until}`, text: `${name}: ${place.next?.title ?? 'warm-up'} is over.`, loud: false }];
}
