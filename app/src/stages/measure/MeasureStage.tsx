import { Button } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { useSetView, useView } from '../../stores/context.tsx';
import { useJobId, useTable } from '../../stores/jobHooks.ts';
import { Workspace } from '../../workspace/Workspace.tsx';
import { ScheduleDialog } from './ScheduleDialog.tsx';
import { Tally } from './Tally.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { Panes } from '../../parts/Panes.tsx';
import { Empty } from '../../parts/Empty.tsx';

/** The sheet last measured on, by job, while the page is open. */
const lastSheets = new Map<string, string>();

/** Plan and tally: where an estimator spends the day. */
export function MeasureStage() {
  const { sheetId = '' } = useParams();
  const jobId = useJobId();
  const table = useTable('sheet');
  const navigate = useNavigate();
  const schedule = useView((state) => state.schedule);
  const setView = useSetView();
  const byHand = useRef(false);
  const asked = table.get(sheetId as Id<'sheet'>);
  const sheets = inOrder(table.values());
  const last = table.get(lastSheets.get(jobId) as Id<'sheet'>);
  const sheet = asked ?? last ?? sheets.find(({ scale }) => scale !== null) ?? sheets[0];
  useEffect(() => {
    if (sheet === undefined) return;
    lastSheets.set(jobId, sheet.id);
    if (sheet.id !== sheetId)
      void navigate(`/job/${jobId}/measure/${encodeURIComponent(sheet.id)}`, { replace: true });
  }, [jobId, navigate, sheet, sheetId]);
  if (sheet === undefined)
    return (
      <Panes name="measure" usual={window.innerWidth < 1100 ? '250px' : '304px'} side={<Tally />}>
        <Empty
          title={t('measure.noSheetsToMeasureOn')}
          action={
            <Button size="sm" onClick={() => void navigate(`/job/${jobId}/sheets`)}>
              {t('measure.goToSheets')}
            </Button>
          }
        >
          {t('measure.addDrawingsFirstThenDrawRunsAreas')}
        </Empty>
      </Panes>
    );
  return (
    // After a choice by hand the keys belong to the pens again; by keyboard the focus stays.
    <div
      className={styles.measure}
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
      <Panes name="measure" usual={window.innerWidth < 1100 ? '250px' : '304px'} side={<Tally />}>
        <Workspace sheet={sheet} />
      </Panes>
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
