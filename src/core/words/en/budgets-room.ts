import { addWords } from '../registry';
import '../choices';

/** Words of the room of budgets, studies and scope. */
export const BUDGETS_ROOM = {
  'budgets.remembered':
    '{count, plural, one {One value is} other {# values are}} only remembered. They feed no certificate before a signatory gave them a source and a date.',
  'budgets.sourceOfAll': 'One paper for all of them',
  'budgets.sourceOn': 'Date of the source',
  'budgets.confirmAll': 'Confirm all',
  'budgets.standing': 'Standing values',
  'budgets.explain':
    'What no single reading gives: found once by a study, taken from a paper, or common practice. A change holds for runs begun from then on; nothing is overwritten.',
  'budgets.measurand': 'Quantity',
  'budgets.all': 'all quantities',
  'budgets.influence': 'Influence',
  'budgets.value': 'Value',
  'budgets.source': 'Source',
  'budgets.set': 'Set',
  'budgets.save': 'Save',
  'budgets.percent': '% of the value',
  'budgets.steps': 'display steps',
  'budgets.studies': 'Repeat studies',
  'budgets.noStudies':
    'None yet. Read one point at least five times; what the readings pool feeds the repeatability of that point.',
  'budgets.studySize': '{n} readings, {dof} degrees of freedom',
  'budgets.newStudy': 'A new study',
  'budgets.point': 'Point',
  'budgets.unit': 'Unit',
  'budgets.studiedOn': 'Day of the study',
  'budgets.readings': 'Readings as displayed, a line a series',
  'budgets.instrument': 'Instrument and circumstances',
  'budgets.recordStudy': 'Record the study',
  'budgets.withdraw': 'Withdraw',
  'budgets.withdrawWhy': 'Why is it withdrawn?',
  'budgets.scope': 'Scope of the workshop',
  'budgets.scopeExplain':
    'Where the workshop states a scope, U is never printed smaller than claimed here, and results beyond these ranges are marked on the document. Without a line nothing is claimed and nothing is marked. A change holds for runs begun from then on.',
  'budgets.noScope': 'No scope is stated.',
  'budgets.range': 'Range',
  'budgets.from': 'From',
  'budgets.to': 'To',
  'budgets.smallest': 'Smallest U',
  'budgets.smallestIn': 'stated',
  'budgets.inUnit': 'in the unit',
  'budgets.stated': 'Stated',
  'budgets.state': 'State it',
  'budgets.correct': 'Correct',
  'budgets.end': 'End',
  'budgets.endWhy': 'Why does it end?',
  'budgets.leave': 'Cancel',
  'budgets.newScope': 'A new line',
  'budgets.correcting': 'Correct {measurand}, {lowest} to {highest} {unit}',
  'budgets.export': 'Export (CSV)',
} as const;
addWords(BUDGETS_ROOM);
