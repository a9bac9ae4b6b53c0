import { describe, expect, it } from 'vitest';
import { LANGUAGES } from '../words/say';
import { wordOf } from '../words/registry';
import { LETTER_KINDS } from './letter-kind';
import { letterOf, placesIn } from './letter-of';
import { letterProblems } from './letter-problem';
import '../words/en/mail-texts';
import '../words/de';

describe('a letter by a text with places', () => {
  it('lines that hold nothing but empty places fall away, gaps close, a subject stays one line', () => {
    const text = { subject: 'For {name}\n now', body: '{greeting}\r\n\r\n{booking}\r\n\r\nYours\n{house}{booking}\n\n' };
    expect(letterOf(text, { name: 'A', greeting: 'Hello', house: 'Us' })).toEqual({
      subject: 'For A now',
      body: 'Hello\n\nYours\nUs',
    });
  });
  it('what a place holds is not read again: braces that a customer’s name has stay as they are', () => {
    expect(letterOf({ subject: '{customer}', body: '{customer}' }, { customer: '{link} $& Co', link: 'x' }).body).toBe(
      '{link} $& Co',
    );
  });
  it('a text is refused that leaves out what it must say, asks for what there isn’t, or breaks a subject', () => {
    const wrong = letterProblems('windowLink', { subject: '{workshop}\n{link}', body: '{nothing} {link}' });
    expect(wrong.map(({ field, code, place }) => [field, code, place])).toEqual([
      ['subject', 'blockInSubject', 'workshop'],
      ['body', 'unknownPlace', 'nothing'],
      ['subject', 'lineInSubject', undefined],
      ['body', 'placeMissing', 'until'],
    ]);
    expect(letterProblems('reminder', { subject: ' ', body: '' })[0]).toEqual({ field: 'subject', code: 'empty' });
  });
  it('the texts that come with the house are good ones in every language, and have the same places', () => {
    for (const kind of LETTER_KINDS) {
      const texts = LANGUAGES.map((language) => ({
        subject: wordOf(`mailText.${kind}.subject`, language)!,
        body: wordOf(`mailText.${kind}.body`, language)!,
      }));
      for (const text of texts) expect(letterProblems(kind, text), kind).toEqual([]);
      expect(new Set(texts.map(({ body }) => placesIn(body).toSorted().join()))).toHaveProperty('size', 1);
    }
  });
});
