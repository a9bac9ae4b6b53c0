'use client';
import type { Procedure } from '@/core/procedure/procedure';
import { putStep, stepAt } from '@/core/procedure/edit-steps';
import type { Piece } from '@/core/procedure/edit-pieces';
import { ChannelForm } from './channel-form';
import type { Choice } from './choice';
import { LeavePiece } from './leave-piece';
import { HeadForm, SchoolForm } from './piece-forms';
import { PointForm } from './point-form';
import { SlotForm } from './slot-form';
import { StepForm } from './step-form';
import { StepTools } from './step-tools';

interface Props {
  procedure: Procedure;
  chosen: Choice;
  choose: (choice: Choice) => void;
  change: (procedure: Procedure) => void;
}

/** The form of whatever is chosen in the outline. */
export function ChosenForm({ procedure, chosen, choose, change }: Props) {
  if (chosen.kind === 'head') return <HeadForm procedure={procedure} value={procedure} change={change} />;
  if (chosen.kind === 'step') {
    const step = stepAt(procedure.steps, chosen.path);
    if (!step) return null;
    return (
      <>
        <StepForm
          procedure={procedure}
          step={step}
          change={(next) => change({ ...procedure, steps: putStep(procedure.steps, chosen.path, next) })}
        />
        <StepTools procedure={procedure} path={chosen.path} choose={choose} change={change} />
      </>
    );
  }
  const replace = <T extends { id: string }>(list: readonly T[], next: T) => list.map((one) => (one.id === next.id ? next : one));
  const leave = (piece: Piece, id: string) => (
    <LeavePiece
      procedure={procedure}
      piece={piece}
      id={id}
      change={(next) => {
        change(next);
        choose({ kind: 'head' });
      }}
    />
  );
  if (chosen.kind === 'channel') {
    const channel = procedure.channels.find((one) => one.role === chosen.id);
    return (
      channel && (
        <>
          <ChannelForm
            value={channel}
            change={(next) =>
              change({ ...procedure, channels: procedure.channels.map((one) => (one.role === next.role ? next : one)) })
            }
          />
          {leave('channel', chosen.id)}
        </>
      )
    );
  }
  if (chosen.kind === 'point') {
    const point = procedure.points.find((one) => one.id === chosen.id);
    return (
      point && (
        <>
          <PointForm
            procedure={procedure}
            value={point}
            change={(next) => change({ ...procedure, points: replace(procedure.points, next) })}
          />
          {leave('point', chosen.id)}
        </>
      )
    );
  }
  if (chosen.kind === 'slot') {
    const slot = procedure.slots.find((one) => one.id === chosen.id);
    return (
      slot && (
        <>
          <SlotForm
            procedure={procedure}
            value={slot}
            change={(next) => change({ ...procedure, slots: replace(procedure.slots, next) })}
          />
          {leave('slot', chosen.id)}
        </>
      )
    );
  }
  const school = procedure.schools?.find((one) => one.id === chosen.id);
  return (
    school && (
      <SchoolForm
        procedure={procedure}
        value={school}
        change={(next) => change({ ...procedure, schools: replace(procedure.schools ?? [], next) })}
      />
    )
  );
}
