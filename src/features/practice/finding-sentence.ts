import { FAULT_IDS, type FaultId } from '@/core/practice/fault';
import type { Finding } from '@/core/practice/finding';
import { say, type Fact } from '@/core/words/say';
import '@/core/words/en/practice-debrief';

const isFault = (id: unknown): id is FaultId | 'none' => id === 'none' || (FAULT_IDS as readonly unknown[]).includes(id);

/** Faults by their names, wherever a fact names one by its id. */
const named = (numbers: Finding['numbers']): Finding['numbers'] =>
  Object.fromEntries(
    Object.entries(numbers).map(([name, value]) => [name, isFault(value) ? say({ code: `practice.fault.${value}` }) : value]),
  );

/** What was not done well, as a sentence. */
export const findingSentence = ({ code, numbers }: Pick<Finding, 'code' | 'numbers'>): string =>
  say({ code: `practice.finding.${code}`, numbers: { incident: '', what: '', ...named(numbers) } });

/** What was done, as a sentence. */
export const didSentence = ({ code, numbers = {} }: Fact): string => say({ code, numbers: named(numbers) });
