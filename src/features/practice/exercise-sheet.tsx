'use client';
import { useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import type { Exercise } from '@/core/practice/exercise';
import { Attempt, type AttemptPlace } from '@/core/practice/attempt';
import { currentSteps } from '@/core/run/plan';
import { say } from '@/core/words/say';
import { ConductorLine, SheetOf, type RunView } from '@/features/bench';
import { useKeys } from '@/ui/use-keys';
import { attempt as sent, messageBeside } from '@/platform/client/result';
import { keepAttemptAction } from './actions';
import { chainsOf } from './chains-of';
import { CoachLine } from './coach-line';
import { ExercisePanel } from './exercise-panel';
import { IncidentAlert } from './incident-alert';
import { practiceView } from './practice-view';
import { useExercise, usePlaceOf } from './use-exercise';
import '@/core/words/en/practice';
import '@/core/words/en/practice-exercise';

export interface ExerciseOf {
  exercise: Exercise;
  asked: { models: string[]; own?: string | undefined };
  keys: RunView['keys'];
  me: { id: string; name: string };
  today: string;
  currency: string;
  zone: string;
}
const HAND = { mine: true, who: '', take: () => undefined };

/** An exercise on the run sheet, with instruments that have what it hides. PRACTICE stands on it all the time; at its end the house scores it. */
export function ExerciseSheet(props: ExerciseOf) {
  // Its clock is this browser's, and what can't be begun is said before anything else.
  const problem = useMemo(() => {
    try {
      new Attempt(props.exercise, { start: new Date(), actor: { ...props.me, role: 'technician' }, id: 'try' });
      return '';
    } catch (error) {
      return (error as Error).message;
    }
  }, [props.exercise, props.me]);
  if (problem)
    return (
      <main className="page">
        <p className="notice bad" role="alert">
          {say({ code: 'practice.cannot', numbers: { why: problem } })}
        </p>
      </main>
    );
  return <Working {...props} />;
}

/** What an instrument's menu shows at this moment. */
function factsOf({ instrument, run }: AttemptPlace): [string, ReturnType<AttemptPlace['instrument']['facts']>] {
  const now = new Date();
  return [now.toISOString(), instrument.facts(run.state, now)];
}

function Working({ exercise, asked, keys, me, today, currency, zone }: ExerciseOf) {
  const working = useExercise(exercise, me);
  const { attempt, act, place, setPlace, last, acts } = working;
  const run = usePlaceOf({ ...working, me });
  const [message, setMessage] = useState('');
  const [ending, setEnding] = useState(false);
  const router = useRouter();
  const here = attempt.at(place);
  const { model, hidden } = here.of;
  const views = useMemo(
    () =>
      practiceView({
        run: here.run,
        shelf: here.shelf,
        model: { id: model.id, maker: '', name: model.name, channels: model.channels },
        keys,
        mayWriteKeys: false,
        me,
        today,
        currency,
        kind: 'exercise',
        absent: hidden.flatMap((one) => (one.fault === 'absentSensor' && one.channel ? [one.channel] : [])),
      }),
    [here, model, keys, me, today, currency, hidden],
  );
  // Its menu as it is now: the page is drawn again each second.
  const [now, facts] = factsOf(here);
  const view: RunView = { ...views, line: { ...views.line!, seenAt: now, hello: { ...views.line!.hello!, facts } } };
  useKeys(
    Object.fromEntries(
      attempt.places.length > 1 ? attempt.places.map((one) => [String(one.of.place), () => setPlace(one.of.place)]) : [],
    ),
  );
  const end = async () => {
    setEnding(true);
    const kept = await sent(() =>
      keepAttemptAction({
        kind: exercise.kind,
        seed: exercise.seed,
        ...asked,
        began: attempt.of.start.toISOString(),
        acts: attempt.done.map((one) => one.act),
      }),
    );
    if (kept.ok) return router.push(`/practice/${kept.value.id}`);
    setMessage([messageBeside(kept), ...Object.values(kept.fields)].join(' '));
    setEnding(false);
  };
  const over = attempt.ended();
  return (
    <>
      <div className="practice-bar" data-testid="practice" data-ended={over || undefined}>
        <span>
          <strong>{say({ code: 'practice.mark' })}</strong> {say({ code: `practice.kind.${exercise.kind}` })}:{' '}
          {say({ code: `practice.task.${exercise.kind}` })}
        </span>
        {attempt.places.length > 1 && (
          <span className="btn-group" role="group" aria-label={say({ code: 'practice.places' })}>
            {attempt.places.map((one) => (
              <Button
                key={one.of.place}
                size="sm"
                variant="plain"
                active={one.of.place === place}
                onClick={() => setPlace(one.of.place)}
              >
                <strong>{one.of.place}</strong>{' '}
                {currentSteps(one.run.procedure, one.run.state)[0]?.step.title ?? say({ code: 'practice.allDone' })}
              </Button>
            ))}
          </span>
        )}
        <Button size="sm" variant={over ? 'primary' : 'plain'} disabled={ending} onClick={() => void end()}>
          {say({ code: over ? 'practice.toDebrief' : 'practice.leaveIt' })}
        </Button>
      </div>
      {message && (
        <p className="notice bad m-2" role="alert">
          {message}
        </p>
      )}
      <IncidentAlert place={here} heed={(choice) => act(place, { do: 'heed', choice })} />
      {attempt.places.map((one) =>
        one !== here && one.incidentAt !== null && !one.heeded ? (
          <IncidentAlert key={one.of.place} place={one} heed={(choice) => act(one.of.place, { do: 'heed', choice })} />
        ) : null,
      )}
      {exercise.kind === 'busyBench' && (
        <div className="m-2">
          <ConductorLine chains={chainsOf(attempt)} go={setPlace} />
        </div>
      )}
      {exercise.kind === 'guided' && <CoachLine attempt={attempt} acts={acts} />}
      <SheetOf
        key={place}
        view={view}
        zone={zone}
        run={run}
        hand={HAND}
        listen={run.listen}
        beside={
          <ExercisePanel
            of={here.of}
            state={run.state}
            diagnoses={exercise.kind === 'findFault' || exercise.kind === 'own'}
            last={last?.act.place === place ? last : null}
            act={(doing) => act(place, doing)}
          />
        }
      />
    </>
  );
}
