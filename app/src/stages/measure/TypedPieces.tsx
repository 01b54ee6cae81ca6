import { X } from 'lucide-react';
import { pieceNode } from '@zest/core/calculate/graph/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove, update } from '@zest/core/job/change';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { confirmQuantities } from '@zest/core/job/commands/confirm';
import type { PieceRecord } from '@zest/core/job/records/piece';
import type { Scope } from '@zest/core/job/records/scope';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { findDefaultUnit } from '@zest/core/units/format';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FailureText } from '../../components/Figure.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { takeEntry } from '../../components/typed.ts';
import { IconButton, TextButton } from '../../parts/buttons.tsx';

/** A figure that someone typed is this job's; what came along with the other one does not go with it. */
function typedOver({ unconfirmed: _looked, also: _other, ...piece }: PieceRecord, text: string): PieceRecord {
  return { ...piece, text };
}

/** Pieces that are on no sheet: typed here, or read off a measuring wheel. */
export function TypedPieces({ scope }: { readonly scope: Scope }) {
  const { figures } = useOpenJob();
  const { makeId } = useServices();
  const { numbers, display } = useFormats();
  const dimension = MEASURE_DIMENSION[leadingMeasure(scope.kind)];
  const pieces = inOrder(figures.piecesOf(scope.id));
  const unit = findDefaultUnit(dimension, display.system)?.symbol ?? 'ea';
  const add = (text: string): string | undefined =>
    settle(
      'add a piece',
      put({
        type: 'piece',
        id: makeId('piece'),
        scopeId: scope.id,
        text,
        unit,
        note: '',
        source: 'typed',
        order: orderAfter(pieces),
      }),
    );
  const settle = useSettle();
  return (
    <>
      {pieces.map((piece) => {
        const { failure } = figures.figure(pieceNode(piece.id));
        return (
          <div key={piece.id}>
            <div className="piece">
              <CommitInput
                label="Note of a typed piece"
                placeholder={piece.source === 'wheel' ? 'wheel' : 'note'}
                value={piece.note}
                onCommit={(note) =>
                  settle(
                    'note of a piece',
                    update(piece, (now) => ({ ...now, note })),
                  )
                }
              />
              <CommitInput
                label="Typed piece"
                align="end"
                value={plainToLocal(piece.text, numbers)}
                onCommit={(text) =>
                  takeEntry(
                    text,
                    numbers,
                    (kept) => settle('change a piece', put(typedOver(piece, kept))),
                    piece.unit,
                  )
                }
              />
              <IconButton
                style={{ width: 20 }}
                aria-label="Remove the piece"
                onClick={() => settle('remove a piece', remove(piece.id))}
              >
                <X size={13} />
              </IconButton>
            </div>
            {piece.unconfirmed === true ? (
              <div className="warn" style={{ fontSize: 12 }}>
                unconfirmed, from {piece.note || 'another job'}{' '}
                <TextButton
                  onClick={() => settle('confirm a quantity', confirmQuantities(new Set([piece.id])))}
                >
                  it is right
                </TextButton>
              </div>
            ) : null}
            {failure === undefined ? null : (
              <div className="field-error">
                <FailureText failure={failure} />
              </div>
            )}
          </div>
        );
      })}
      <CommitInput
        label="New piece without a sheet"
        placeholder={
          display.system === 'us'
            ? '+ piece without a sheet, 96 ft + 2 * 8 ft'
            : '+ piece without a sheet, 29 m + 2 * 2,4 m'
        }
        value=""
        onCommit={(text) =>
          text.trim() === '' ? undefined : takeEntry(text, numbers, (kept) => add(kept), unit)
        }
      />
    </>
  );
}
