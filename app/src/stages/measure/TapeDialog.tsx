import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type TapeEntry, tapeOf } from '@zest/core/calculate/explain/tape';
import { repeatOf } from '@zest/core/takeoff/repeat';
import { knownValue } from '@zest/core/calculate/define';
import { measureNode, openingNode, pieceNode, sharedNode } from '@zest/core/calculate/graph/nodes';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import { plainToLocal } from '@zest/core/formula/localize';
import type { Scope } from '@zest/core/job/records/scope';
import { MARK_KIND, leadingMeasure } from '@zest/core/job/markKinds';
import { type MarkMeasure, MEASURE_DIMENSION } from '@zest/core/job/measures';
import { type Dimension, LENGTH } from '@zest/core/units/dimension';
import { QuantityText } from '../../figures/Figure.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useFormats, useOpenJob, useServices, useSetView } from '../../stores/context.tsx';
import { csvBlob } from '../../platform/csvText.ts';
import { writeTape } from './writeTape.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Segments } from '../../parts/Segments.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import type { Figure } from '@zest/core/calculate/graph/rule';
import type { Piece } from '@zest/core/takeoff/measureMark';

const sheetOfMark = (job: Job, markId: Mark['id']): string =>
  job.sheet.get(job.mark.get(markId)?.sheetId ?? ('sheet:none' as Mark['sheetId']))?.number ?? '';

const zoneName = (job: Job, { zoneId }: Mark): string =>
  zoneId === undefined ? '' : (job.zone.get(zoneId)?.name ?? '');

/** How often a mark counts, where that is not once, and in which zone. */
function writeTimes(times: number, zone: string): string {
  const often = times === 0 ? t('measure.notInTheWork') : times === 1 ? '' : ` × ${times}`;
  return zone === '' ? often : `${often} ${zone}`;
}

/** The tape of a figure: every piece that adds up to it, each leading to its mark. */
export function TapeDialog({ scope, onClose }: { readonly scope: Scope; readonly onClose: () => void }) {
  const { figures } = useOpenJob();
  const services = useServices();
  const formats = useFormats();
  const [measure, setMeasure] = useState<MarkMeasure>(leadingMeasure(scope.kind));
  const tape = tapeOf(figures, scope.id, measure);
  const shared = figures.figure(sharedNode(scope.id, measure));
  const dimension = MEASURE_DIMENSION[measure];
  const exportTape = (): void => {
    const text = writeTape(figures, scope, formats, measure);
    services.download(fileName(`tape ${scope.name}`, '.csv'), csvBlob(text));
  };
  const showPieces = measure === 'length' || measure === 'perimeter';
  return (
    <Modal
      title={t('measure.tapeOf', { name: scope.name })}
      onClose={onClose}
      size="lg"
      footer={
        <Button size="sm" variant="outline" onClick={exportTape}>
          {t('measure.tapeAsCsv')}
        </Button>
      }
    >
      <div style={{ marginBottom: 8 }}>
        <Segments
          label={t('measure.whatTheTapeShows')}
          value={measure}
          options={MARK_KIND[scope.kind].measures
            .filter((each) => each !== 'turning')
            .map((each) => [each, MEASURE_WORDS[each]])}
          onChoose={setMeasure}
        />
      </div>
      <div style={{ maxHeight: '54vh', overflow: 'auto' }}>
        <TapeTable
          measure={measure}
          tape={tape}
          onClose={onClose}
          showPieces={showPieces}
          dimension={dimension}
          shared={shared}
          scope={scope}
        />
      </div>
    </Modal>
  );
}

interface TapeTableProps {
  readonly measure: MarkMeasure;
  readonly tape: readonly TapeEntry[];
  readonly onClose: () => void;
  readonly showPieces: boolean;
  readonly dimension: Dimension;
  readonly shared: Figure;
  readonly scope: Scope;
}

function TapeTable({ measure, tape, onClose, showPieces, dimension, shared, scope }: TapeTableProps) {
  const { figures } = useOpenJob();
  return (
    <table className={layout.tape}>
      <thead>
        <tr>
          <th>{t('measure.mark')}</th>
          <th>{t('measure.sheet')}</th>
          <th>{t('measure.pieces')}</th>
          <th className="right">{MEASURE_WORDS[measure]}</th>
        </tr>
      </thead>
      <tbody>
        {tape.map(({ mark, figure, pieces }, index) => (
          <MarkRow
            key={mark.id}
            mark={mark}
            onClose={onClose}
            index={index}
            showPieces={showPieces}
            pieces={pieces}
            figure={figure}
            dimension={dimension}
          />
        ))}
        {knownValue(shared) === undefined || knownValue(shared) === 0 ? null : (
          <tr>
            <td colSpan={3}>{t('measure.whereTwoSlopesMeetCountedOnce')}</td>
            <td className="right">
              <QuantityText figure={shared} dimension={dimension} />
            </td>
          </tr>
        )}
        <OpeningsAndPieces measure={measure} scope={scope} dimension={dimension} />
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={3}>
            {figures.isMeasured(scope.id) ? t('measure.together') : t('measure.nothingMeasuredYet')}
          </td>
          <td className="right">
            <QuantityText figure={figures.figure(measureNode(scope.id, measure))} dimension={dimension} />
          </td>
        </tr>
      </tfoot>
    </table>
  );
}

interface OpeningsAndPiecesProps {
  readonly measure: MarkMeasure;
  readonly scope: Scope;
  readonly dimension: Dimension;
}

function OpeningsAndPieces({ measure, scope, dimension }: OpeningsAndPiecesProps) {
  const { figures, job } = useOpenJob();
  const formats = useFormats();
  return (
    <>
      {measure !== leadingMeasure(scope.kind)
        ? null
        : figures.openingsCountedBy(scope.id).map((opening) => (
            <tr key={opening.id}>
              <td>{t('measure.opening')}</td>
              <td>{sheetOfMark(job, opening.markId)}</td>
              <td className="soft">{opening.tag}</td>
              <td className="right">
                <QuantityText figure={figures.figure(openingNode(opening.id))} dimension={dimension} />
              </td>
            </tr>
          ))}
      {measure !== leadingMeasure(scope.kind)
        ? null
        : figures.piecesOf(scope.id).map((piece) => (
            <tr key={piece.id}>
              <td>{t('measure.typed')}</td>
              <td />
              <td className="soft">
                {plainToLocal(piece.text, formats.numbers)}
                {piece.note === '' ? '' : ` (${piece.note})`}
              </td>
              <td className="right">
                <QuantityText figure={figures.figure(pieceNode(piece.id))} dimension={dimension} />
              </td>
            </tr>
          ))}
    </>
  );
}

interface MarkRowProps {
  readonly mark: Mark;
  readonly onClose: () => void;
  readonly index: number;
  readonly showPieces: boolean;
  readonly pieces: readonly Piece[];
  readonly figure: Figure;
  readonly dimension: Dimension;
}

function MarkRow({ mark, onClose, index, showPieces, pieces, figure, dimension }: MarkRowProps) {
  const setView = useSetView();
  const navigate = useNavigate();
  const { jobId, job } = useOpenJob();
  return (
    <tr>
      <td>
        <TextButton
          onClick={() => {
            setView({ selectedMarks: new Set([mark.id]), tool: 'select' });
            void navigate(`/job/${jobId}/measure/${encodeURIComponent(mark.sheetId)}`);
            onClose();
          }}
        >
          {index + 1}
        </TextButton>
      </td>
      <td>
        {job.sheet.get(mark.sheetId)?.number}
        <span className="soft">{writeTimes(repeatOf(job, mark), zoneName(job, mark))}</span>
      </td>
      <td className="soft">
        {showPieces
          ? pieces.map(({ lengthM }, at) => (
              <span key={at}>
                {at === 0 ? '' : ' + '}
                <QuantityText figure={{ value: lengthM }} dimension={LENGTH} />
              </span>
            ))
          : null}
      </td>
      <td className="right">
        <QuantityText figure={figure} dimension={dimension} />
      </td>
    </tr>
  );
}
