'use client';
import Button from 'react-bootstrap/Button';
import type { AttemptPlace } from '@/core/practice/attempt';
import { INCIDENTS, type IncidentChoice } from '@/core/practice/incident';
import { say } from '@/core/words/say';
import '@/core/words/en/practice-exercise';

/** Something dangerous, and what may be done about it. In which order the choices stand says nothing. */
export function IncidentAlert({ place, heed }: { place: AttemptPlace; heed: (choice: IncidentChoice) => void }) {
  const incident = place.of.incident?.incident;
  if (!incident || place.incidentAt === null || place.heeded) return null;
  const choices = [...INCIDENTS[incident].choices].sort();
  return (
    <div className="notice bad m-2" role="alert" data-testid="incident">
      <p className="fs-5 mb-2">
        <strong>{say({ code: `practice.incident.${incident}` })}</strong>
      </p>
      <div className="d-flex flex-wrap gap-2">
        {choices.map((one) => (
          <Button key={one} variant="plain" onClick={() => heed(one)}>
            {say({ code: `practice.choice.${one}` })}
          </Button>
        ))}
      </div>
      <p className="small mb-0 mt-2">{say({ code: 'practice.localRules' })}</p>
    </div>
  );
}
