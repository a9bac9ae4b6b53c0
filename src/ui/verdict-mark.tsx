import type { VerdictState } from '@/core/record/judgement';

const WORDS: Record<VerdictState, string> = {
  within: 'within',
  outside: 'outside',
  cannotTell: 'cannot tell',
  notMeasured: 'not measured',
};

/** The four shapes of a verdict: state is never colour alone. */
export function VerdictShape({ state, hollow = false }: { state: VerdictState; hollow?: boolean }) {
  const look = {
    className: `${state}${hollow ? ' hollow' : ''}`,
    fill: hollow ? 'none' : 'currentColor',
    stroke: 'currentColor',
    strokeWidth: 1.6,
  };
  if (state === 'within') return <circle cx="8" cy="8" r="5.6" {...look} />;
  if (state === 'outside') return <path d="M8 1.8 14.6 14H1.4Z" {...look} />;
  if (state === 'cannotTell')
    return (
      <g {...look}>
        <path d="M8 1 15 8 8 15 1 8Z" fill="none" />
        <path d="M8 1 8 15 1 8Z" stroke="none" fill="currentColor" />
      </g>
    );
  return <rect x="2.6" y="2.6" width="10.8" height="10.8" {...look} fill="none" />;
}

export function VerdictMark({ state, word }: { state: VerdictState; word?: string }) {
  return (
    <span className={`verdict ${state}`}>
      <svg viewBox="0 0 16 16" aria-hidden="true">
        <VerdictShape state={state} />
      </svg>
      {word ?? WORDS[state]}
    </span>
  );
}
