import { addWords } from '../registry';

/** Words of programs that read. */
export const PROGRAMS = {
  'programs.title': 'Programs that read',
  'programs.what':
    'Another program of yours reads instruments, due dates or documents over HTTP, each with a token of its own. It changes nothing.',
  'programs.described': 'What can be asked, described (OpenAPI)',
  'programs.name': 'Name of the program',
  'programs.scopes': 'It reads',
  'programs.scope.instruments': 'instruments',
  'programs.scope.due': 'due dates',
  'programs.scope.documents': 'documents',
  'programs.until': 'Until',
  'programs.make': 'Make a token',
  'programs.shown': 'Its token, shown this once: {token}',
  'programs.none': 'None yet.',
  'programs.used': 'last used {on}',
  'programs.unused': 'not used yet',
  'programs.ended': 'ended by {by}',
  'programs.past': 'its time is over',
  'programs.keep': 'Save',
  'programs.nameOf': 'Name of {name}',
  'programs.untilOf': 'Last day of {name}',
  'programs.end': 'End it',
  'programs.already': 'It has ended already.',
  'programs.unknown': 'There is no such program.',
  'programs.noToken': 'A token is needed: “Authorization: Bearer …”.',
  'programs.badToken': 'This token is not known, has ended, or its time is over.',
  'programs.notThis': 'This token does not read {scope}.',
  'programs.tooMany': 'Too many requests: at most {most} a minute. Ask again in {seconds} s.',
  'programs.badQuery': '“{name}” can’t be “{value}”.',
} as const;
addWords(PROGRAMS);
