import { X } from 'lucide-react';
import { pieceNode } from '@zest/core/calculate/graph/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove, update } from '@zest/core/job/change';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { confirmQuantities } from '@zest/core/job/commands/confirm';
import type { Scope } from '@zest/core/job/records/scope';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { findDefaultUnit } from '@zest/core/units/format';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FailureText } from '../../figures/Figure.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { takeEntry } from '../../figures/typed.ts';
import { IconButton, TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import type { PieceRecord } from '@zest/core/job/records/piece';
import type { Failure } from '@zest/core/job/failure';

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
      t('measure.addAPiece'),
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
        return <PieceRow key={piece.id} piece={piece} failure={failure} />;
      })}
      <CommitInput
        label={t('measure.newPieceWithoutASheet')}
        placeholder={
          display.system === 'us' ? t('measure.pieceWithoutASheet96Ft2') : t('measure.pieceWithoutASheet29M2')
        }
        value=""
        onCommit={(text) =>
          text.trim() === '' ? undefined : takeEntry(text, numbers, (kept) => add(kept), unit)
        }
      />
    </>
  );
}

interface PieceRowProps {
  readonly piece: PieceRecord;
  readonly failure: Failure | undefined;
}

function PieceRow({ piece, failure }: PieceRowProps) {
  const settle = useSettle();
  const { numbers } = useFormats();
  return (
    <div>
      <div className={styles.piece}>
        <CommitInput
          label={t('measure.noteOfATypedPiece')}
          placeholder={piece.source === 'wheel' ? t('measure.wheel') : t('measure.note')}
          value={piece.note}
          onCommit={(note) =>
            settle(
              t('measure.noteOfAPiece'),
              update(piece, (now) => ({ ...now, note })),
            )
          }
        />
        <CommitInput
          label={t('measure.typedPiece')}
          align="end"
          value={plainToLocal(piece.text, numbers)}
          onCommit={(text) =>
            takeEntry(
              text,
              numbers,
              (kept) => settle(t('measure.changeAPiece'), put(typedOver(piece, kept))),
              piece.unit,
            )
          }
        />
        <IconButton
          style={{ width: 20 }}
          aria-label={t('measure.removeThePiece')}
          onClick={() => settle(t('measure.removeAPiece'), remove(piece.id))}
        >
          <X size={13} />
        </IconButton>
      </div>
      {piece.unconfirmed === true ? (
        <div className="warn" style={{ fontSize: 12 }}>
          {t('measure.unconfirmedFrom')} {piece.note || t('measure.anotherJob')}{' '}
          <TextButton
            onClick={() => settle(t('measure.confirmAQuantity'), confirmQuantities(new Set([piece.id])))}
          >
            {t('measure.itIsRight')}
          </TextButton>
        </div>
      ) : null}
      {failure === undefined ? null : (
        <div className={layout.fieldError}>
          <FailureText failure={failure} />
        </div>
      )}
    </div>
  );
}
