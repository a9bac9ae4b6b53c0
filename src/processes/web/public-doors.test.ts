import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { isPublicDoor } from './public-doors';

const APP = join(__dirname, '..', '..', 'app');
const doors = readdirSync(APP, { recursive: true, withFileTypes: true })
  .filter((one) => /^(page\.tsx|route\.ts)$/.test(one.name))
  .map((one) => `/${relative(APP, one.parentPath)}`.replace(/\/\(\w+\)/g, '').replace(/\[\w+\]/g, 'abc'));

describe('the public listener', () => {
  it('has the check page, the keys, its health, the end of reminders and the customer’s window, of all doors there are', () => {
    expect(doors.length).toBeGreaterThan(40);
    expect(doors.filter((door) => isPublicDoor('GET', door)).sort()).toEqual([
      '/.well-known/jwks.json',
      '/answer/abc',
      '/api/health',
      '/api/health/alive',
      '/unsubscribe/abc',
      '/verify/abc',
      '/window',
      '/window/bookings',
      '/window/bookings/abc',
      '/window/bookings/new',
      '/window/documents',
      '/window/documents/zip',
      '/window/enter/abc',
      '/window/instruments/abc',
    ]);
  });
  it('takes nothing that writes but the end of reminders, an answer and what is asked at the window, and no way around', () => {
    expect(doors.filter((door) => isPublicDoor('POST', door))).toEqual([
      '/api/answer/abc',
      '/api/unsubscribe/abc',
      '/api/window/enter',
      '/api/window/feed',
      '/api/window/leave',
      '/api/window/link',
      '/api/window/request',
    ]);
    expect(isPublicDoor('POST', '/verify/abc')).toBe(false);
    expect(isPublicDoor('GET', '/verify/abc/../../sign-in')).toBe(false);
    expect(isPublicDoor('GET', '/_next/static/../server/app.js')).toBe(false);
    expect(isPublicDoor('GET', '//sign-in')).toBe(false);
    expect(isPublicDoor('GET', '/verify/abc?next=/office')).toBe(true);
  });
});
