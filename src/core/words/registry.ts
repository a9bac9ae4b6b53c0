/** Languages with a catalogue of what leaves the house: documents, mails, letters. A further one is one folder of the same codes. Screens are English. */
export const LANGUAGES = ['en', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];

const words = new Map<string, string>();

/**
 * Puts a part of a language's catalogue where `say` finds it. Each part does so itself when it is imported, by the file that says its codes: a page loads the words it says and no others.
 * Errors: none; the same part twice changes nothing.
 */
export function addWords(part: Readonly<Record<string, string>>, language: Language = 'en'): void {
  for (const [code, message] of Object.entries(part)) words.set(`${language}/${code}`, message);
}

/** The message of a code, where a part with it was imported; in English where a language has none: a paper is never held up by a word, and a test finds it. */
export const wordOf = (code: string, language: Language = 'en'): string | undefined =>
  words.get(`${language}/${code}`) ?? words.get(`en/${code}`);

type SayChoices = (message: string, language: Language, numbers: Readonly<Record<string, string | number>> | undefined) => string;
let choices: SayChoices | null = null;

/** Where messages that choose are said: told by `choices.ts`, which every part with such a message imports. */
export const sayChoicesWith = (say: SayChoices): void => {
  choices = say;
};

/** Errors: RangeError where no part brought the grammar of choices along. */
export function sayChoices(...given: Parameters<SayChoices>): string {
  if (!choices) throw new RangeError(`the part of the catalogue that has “${given[0]}” must import choices`);
  return choices(...given);
}
