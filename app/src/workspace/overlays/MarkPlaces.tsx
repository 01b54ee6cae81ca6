import { memo } from 'react';
import { type Command, put } from '@zest/core/job/change';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import type { Mark } from '@zest/core/job/records/mark';
import { useOpenJob, useServices, useSetView } from '../../stores/context.tsx';
import { copyToSheet } from '../clipboard.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface MarkPlacesProps {
  readonly marks: readonly Mark[];
  readonly run: (label: string, command: Command) => boolean;
}

/** Where marks belong: their zone, the same place on another sheet, and of roof slopes which are replaced. */
export function MarkPlaces({ marks, run }: MarkPlacesProps) {
  const { job, figures } = useOpenJob();
  const { makeId } = useServices();
  const setView = useSetView();
  const [first] = marks;
  if (first === undefined) return null;
  const zones = new Set(marks.map(({ zoneId }) => zoneId ?? ''));
  const setZone = (zoneId: string): void => {
    const moved = marks.map(({ zoneId: _before, ...mark }): Mark =>
      zoneId === '' ? mark : { ...mark, zoneId: zoneId as Id<'zone'> },
    );
    run(t('workspace.zoneOf', { marks: t('count.mark', { count: marks.length }) }), put(...moved));
  };
  const copy = (sheetId: string): void => {
    const copied = copyToSheet(job, marks, sheetId as Id<'sheet'>, makeId);
    const target = job.sheet.get(sheetId as Id<'sheet'>);
    if (
      run(
        t('workspace.copyTo', {
          marks: t('count.mark', { count: marks.length }),
          number: target?.number ?? t('workspace.aSheet'),
        }),
        copied.command,
      )
    )
      setView({ selectedMarks: new Set(copied.ids) });
  };
  const slopes = first.kind === 'slope' ? figures.marksOf(first.scopeId) : [];
  const others = slopes.filter(
    ({ sheetId, id }) => sheetId === first.sheetId && marks.every((mark) => mark.id !== id),
  );
  const whole = others.every(({ repeat }) => repeat !== 0);
  const chooseSlopes = (): void => {
    const repeat = whole ? 0 : 1;
    run(
      whole ? t('workspace.replaceOneSlopeAlone') : t('workspace.replaceTheWholeRoof'),
      put(...others.map((mark) => ({ ...mark, repeat }))),
    );
  };
  return (
    <div className={styles.markBarRow}>
      <ZoneChoice zones={zones} setZone={setZone} />
      <Select
        aria-label={t('workspace.copyToAnotherSheetInTheSame')}
        value=""
        onChange={(event) => copy(event.target.value)}
      >
        <option value="">{t('workspace.copyToAnotherSheet')}</option>
        <SheetOptions sheets={job.sheet} from={first.sheetId} />
      </Select>
      {others.length === 0 ? null : (
        <TextButton onClick={chooseSlopes}>
          {whole ? t('workspace.replaceThisSlopeAlone') : t('workspace.replaceTheWholeRoof2')}
        </TextButton>
      )}
    </div>
  );
}

interface ZoneChoiceProps {
  readonly zones: Set<Id<'zone'> | ''>;
  readonly setZone: (zoneId: string) => void;
}

function ZoneChoice({ zones, setZone }: ZoneChoiceProps) {
  const { job } = useOpenJob();
  return job.zone.size === 0 ? null : (
    <Select
      style={{ width: 120 }}
      aria-label={t('workspace.zoneOfTheMarks')}
      value={zones.size === 1 ? [...zones][0] : 'several'}
      onChange={(event) => setZone(event.target.value)}
    >
      {zones.size > 1 ? <option value="several">{t('workspace.severalZones')}</option> : null}
      <option value="">{t('workspace.noZone')}</option>
      {inOrder(job.zone.values()).map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}

/** The list is as long as the set of drawings; it is not made anew for every change of a mark. */
const SheetOptions = memo(function SheetOptions({
  sheets,
  from,
}: {
  readonly sheets: Job['sheet'];
  readonly from: string;
}) {
  return (
    <>
      {inOrder(sheets.values())
        .filter(({ id }) => id !== from)
        .map(({ id, number, title }) => (
          <option key={id} value={id}>
            {number} {title}
          </option>
        ))}
    </>
  );
});
