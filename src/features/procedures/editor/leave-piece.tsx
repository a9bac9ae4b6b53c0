'use client';
import Button from 'react-bootstrap/Button';
import { leavePieceOut, usesOf, type Piece } from '@/core/procedure/edit-pieces';
import type { Procedure } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

interface Props {
  procedure: Procedure;
  piece: Piece;
  id: string;
  change: (procedure: Procedure) => void;
}

/** Leaves a piece out; while something uses it, says what. */
export function LeavePiece({ procedure, piece, id, change }: Props) {
  const uses = usesOf(procedure, piece, id);
  return (
    <div className="d-flex flex-wrap gap-3 align-items-center mt-3">
      <Button variant="outline-danger" disabled={uses.length > 0} onClick={() => change(leavePieceOut(procedure, piece, id))}>
        {say({ code: 'edit.leaveOut' })}
      </Button>
      {uses.length > 0 && <span className="quiet">{say({ code: 'edit.usedBy', numbers: { uses: uses.join(', ') } })}</span>}
    </div>
  );
}
