import { IntlMessageFormat } from 'intl-messageformat';
import { sayChoicesWith } from './registry';

// Messages that choose (plural, select) need the whole grammar. The parts of the catalogue that have such messages import this file; the others are loaded without it.
const made = new Map<string, IntlMessageFormat>();

sayChoicesWith((message, language, numbers) => {
  const key = `${language}/${message}`;
  let format = made.get(key);
  if (!format) made.set(key, (format = new IntlMessageFormat(message, language, undefined, { ignoreTag: true })));
  return String(format.format(numbers));
});
