/** Why a command can't be done: a code for programs, the numbers it rests on, a sentence for a person, the field to show it beside. */
export interface Refusal {
  refused: true;
  code: string;
  sentence: string;
  field?: string;
  numbers?: Record<string, string>;
}

export function refuse(
  code: string,
  sentence: string,
  extra: { field?: string; numbers?: Record<string, string> } = {},
): Refusal {
  return { refused: true, code, sentence, ...extra };
}

export function isRefusal(value: unknown): value is Refusal {
  return typeof value === 'object' && value !== null && (value as Refusal).refused === true;
}
