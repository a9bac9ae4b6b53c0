import { describe, expect, it } from 'vitest';
import { isOfKind, isOwnOrigin } from './own-origin';

const OURS = 'https://werkbank.example';
const own = (headers: Record<string, string>) => isOwnOrigin(new Headers({ host: 'werkbank.example', ...headers }), OURS);
const kind = (type: string | null, kinds = ['application/json']) =>
  isOfKind(new Headers(type ? { 'content-type': type } : {}), kinds);

// Origin and Sec-Fetch-Site as the Fetch standard and Fetch Metadata have browsers send them.
describe('a writing request', () => {
  it('of our own page is known by its origin, also under another of our names', () => {
    expect(own({ origin: OURS, 'sec-fetch-site': 'same-origin' })).toBe(true);
    expect(own({ host: '10.0.0.7:3210', origin: 'http://10.0.0.7:3210' })).toBe(true);
    expect(own({})).toBe(true);
  });
  it.each([
    [{ origin: 'https://elsewhere.example' }],
    [{ origin: 'https://werkbank.example.elsewhere.example' }],
    [{ origin: 'null' }],
    [{ origin: OURS, 'sec-fetch-site': 'cross-site' }],
    [{ 'sec-fetch-site': 'same-site' }],
    [{ origin: 'no address' }],
  ])('of somebody else’s is not: %j', (headers) => expect(own(headers as never)).toBe(false));
  it('has a kind that no foreign form can send', () => {
    expect(kind('application/json; charset=utf-8')).toBe(true);
    expect(kind('image/jpeg', ['image/*'])).toBe(true);
    for (const type of [
      'text/plain',
      'multipart/form-data; boundary=x',
      'application/x-www-form-urlencoded',
      'application/jsonp',
      null,
    ])
      expect(kind(type)).toBe(false);
    expect(kind('text/plain;application/json')).toBe(false);
    expect(kind('imagery/jpeg', ['image/*'])).toBe(false);
  });
});
