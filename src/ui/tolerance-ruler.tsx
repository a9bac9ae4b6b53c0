import type { VerdictState } from '@/core/record/judgement';
import { VerdictShape } from './verdict-mark';

export interface RulerMark {
  error: number;
  state: VerdictState;
  hollow: boolean;
  label: string;
}

/**
 * A scale centred on the reference: limits as ticks, guard band hatched, as-found hollow, as-left solid, earlier as-found errors faint.
 * What lies beyond the scale stands at its end with an arrow.
 */
export function ToleranceRuler({
  tolerance,
  expanded,
  guarded,
  unit,
  marks,
  earlier = [],
  name,
}: {
  tolerance: number;
  expanded: number | null;
  guarded: boolean;
  unit: string;
  marks: RulerMark[];
  earlier?: number[];
  name: string;
}) {
  const reach = tolerance * 1.75;
  const x = (error: number) => 200 + (Math.max(-reach, Math.min(reach, error)) / reach) * 186;
  const guard = guarded && expanded !== null ? Math.min(expanded, tolerance) : 0;
  const hatch = `hatch-${name.replace(/\W/g, '')}`;
  return (
    <svg
      className="ruler"
      viewBox="0 0 400 56"
      role="img"
      aria-label={`${name}: tolerance ± ${tolerance} ${unit}. ${marks.map((mark) => `${mark.label} ${mark.error}`).join(', ')}`}
    >
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2.4" height="6" fill="var(--cannot)" opacity="0.55" />
        </pattern>
      </defs>
      <rect x={x(-tolerance)} y="16" width={x(tolerance) - x(-tolerance)} height="20" fill="var(--within)" opacity="0.13" />
      {guard > 0 &&
        [-1, 1].map((side) => (
          <rect
            key={side}
            x={side < 0 ? x(-tolerance) : x(tolerance - guard)}
            y="16"
            width={x(tolerance) - x(tolerance - guard)}
            height="20"
            fill={`url(#${hatch})`}
          />
        ))}
      <line x1="8" x2="392" y1="26" y2="26" stroke="var(--quiet)" strokeWidth="1" vectorEffect="non-scaling-stroke" />
      <line x1="200" x2="200" y1="12" y2="40" stroke="var(--quiet)" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
      {[-tolerance, tolerance].map((limit) => (
        <line
          key={limit}
          x1={x(limit)}
          x2={x(limit)}
          y1="10"
          y2="42"
          stroke="var(--bs-body-color)"
          strokeWidth="2.4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {earlier.slice(0, 6).map((error, index) => (
        <line
          key={index}
          x1={x(error)}
          x2={x(error)}
          y1="19"
          y2="33"
          stroke="var(--quiet)"
          strokeWidth="2"
          opacity={0.55 - index * 0.08}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <Words x={x(-tolerance)} text={`−${tolerance}`} />
      <Words x={200} text="0" />
      <Words x={x(tolerance)} text={`+${tolerance}`} />
      {marks.map((mark) => (
        <Mark key={mark.label} mark={mark} x={x(mark.error)} beyond={Math.abs(mark.error) > reach} />
      ))}
    </svg>
  );
}

// Marks and words keep their shape although the scale stretches with the column.
function Mark({ mark, x, beyond }: { mark: RulerMark; x: number; beyond: boolean }) {
  return (
    <svg
      x={x - 9}
      y={17}
      width="18"
      height="18"
      viewBox="0 0 16 16"
      preserveAspectRatio="xMidYMid meet"
      overflow="visible"
      color={`var(--${COLOUR[mark.state]})`}
    >
      <title>{`${mark.label}: ${mark.error}${beyond ? ' (beyond the scale)' : ''}`}</title>
      <VerdictShape state={mark.state} hollow={mark.hollow} />
    </svg>
  );
}

const COLOUR: Record<VerdictState, string> = {
  within: 'within',
  outside: 'outside',
  cannotTell: 'cannot',
  notMeasured: 'unmeasured',
};

function Words({ x, text }: { x: number; text: string }) {
  return (
    <text x={x} y="53" textAnchor="middle">
      {text}
    </text>
  );
}
