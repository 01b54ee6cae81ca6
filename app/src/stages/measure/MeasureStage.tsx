import { Button } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { Later, useOpenJob, useSetView, useView } from '../../stores/context.tsx';
import { Workspace } from '../../workspace/Workspace.tsx';
import { ScheduleDialog } from './ScheduleDialog.tsx';
import { Tally } from './Tally.tsx';

/** The sheet last measured on, by job, while the page is open. */
const lastSheets = new Map<string, string>();

/** One element for ever: it is drawn anew when its job is, not when the desk is. */
const TALLY = <Tally />;

/** Plan and tally: where an estimator spends the day. */
export function MeasureStage() {
  const { sheetId = '' } = useParams();
  const { job, jobId } = useOpenJob();
  const navigate = useNavigate();
  const schedule = useView((state) => state.schedule);
  const setView = useSetView();
  const byHand = useRef(false);
  const asked = job.sheet.get(sheetId as Id<'sheet'>);
  const sheets = inOrder(job.sheet.values());
  const last = job.sheet.get(lastSheets.get(jobId) as Id<'sheet'>);
  const sheet = asked ?? last ?? sheets.find(({ scale }) => scale !== null) ?? sheets[0];
  useEffect(() => {
    if (sheet === undefined) return;
    lastSheets.set(jobId, sheet.id);
    if (sheet.id !== sheetId)
      void navigate(`/job/${jobId}/measure/${encodeURIComponent(sheet.id)}`, { replace: true });
  }, [jobId, navigate, sheet, sheetId]);
  if (sheet === undefined)
    return (
      <div className="empty">
        <h2>No sheets to measure on</h2>
        <p>Add the drawings first; then draw runs, areas and counts right on them.</p>
        <div className="first">
          <Button size="sm" onClick={() => void navigate(`/job/${jobId}/sheets`)}>
            Go to Sheets
          </Button>
        </div>
      </div>
    );
  return (
    // After a choice by hand the keys belong to the pens again; by keyboard the focus stays.
    <div
      className="measure"
      onPointerDown={() => {
        byHand.current = true;
      }}
      onKeyDown={() => {
        byHand.current = false;
      }}
      onChange={({ target }) => {
        if (byHand.current && target instanceof HTMLSelectElement) target.blur();
      }}
    >
      <Workspace sheet={sheet} />
      <Later>{TALLY}</Later>
      {schedule === undefined ? null : (
        <ScheduleDialog
          key={schedule.id}
          schedule={schedule}
          onClose={() => setView({ schedule: undefined })}
        />
      )}
    </div>
  );
}
