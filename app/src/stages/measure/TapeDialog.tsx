import { useState } from 'react';
import { useNavigate } from 'react-router';
import { tapeOf } from '@zest/core/calculate/explain';
import { measureNode } from '@zest/core/calculate/nodes';
import type { Scope } from '@zest/core/job/records/scope';
import { MARK_MEASURES, MEASURE_DIMENSION, leadingMeasure } from '@zest/core/takeoff/measures';
import { LENGTH } from '@zest/core/units/dimension';
import { QuantityText } from '../../components/Figure.tsx';
import { Modal } from '../../components/Modal.tsx';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { useOpenJob, useSetView } from '../../stores/context.tsx';

/** The tape of a figure: every piece that adds up to it, each leading to its mark. */
export function TapeDialog({ scope, onClose }: { readonly scope: Scope; readonly onClose: () => void }) {
  const { calculation, job, jobId } = useOpenJob();
  const setView = useSetView();
  const navigate = useNavigate();
  const [measure, setMeasure] = useState(leadingMeasure(scope.kind));
  const tape = tapeOf(calculation, scope.id, measure);
  const dimension = MEASURE_DIMENSION[measure];
  const showPieces = measure === 'length' || measure === 'perimeter';
  return (
    <Modal title={`Tape of ${scope.name}`} onClose={onClose} size="lg">
      <div style={{ display: 'flex', gap: 10, marginBottom: 8 }}>
        {MARK_MEASURES[scope.kind].map((each) => (
          <label key={each} style={{ display: 'flex', gap: 4 }}>
            <input type="radio" name="measure" checked={measure === each} onChange={() => setMeasure(each)} />{' '}
            {MEASURE_WORDS[each]}
          </label>
        ))}
      </div>
      <div style={{ maxHeight: '54vh', overflow: 'auto' }}>
        <table className="tape">
          <thead>
            <tr>
              <th>Mark</th>
              <th>Sheet</th>
              <th>Pieces</th>
              <th className="right">{MEASURE_WORDS[measure]}</th>
            </tr>
          </thead>
          <tbody>
            {tape.map(({ mark, figure, pieces }, index) => (
              <tr key={mark.id}>
                <td>
                  <button
                    type="button"
                    className="link"
                    onClick={() => {
                      setView({ selectedMarks: new Set([mark.id]), tool: 'select' });
                      void navigate(`/job/${jobId}/measure/${encodeURIComponent(mark.sheetId)}`);
                      onClose();
                    }}
                  >
                    {index + 1}
                  </button>
                </td>
                <td>{job.sheet.get(mark.sheetId)?.number}</td>
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
            ))}
          </tbody>
          <tfoot>
            <tr>
              <td colSpan={3}>{tape.length === 0 ? 'Nothing measured yet' : 'Together'}</td>
              <td className="right">
                <QuantityText
                  figure={calculation.figure(measureNode(scope.id, measure))}
                  dimension={dimension}
                />
              </td>
            </tr>
          </tfoot>
        </table>
      </div>
    </Modal>
  );
}
