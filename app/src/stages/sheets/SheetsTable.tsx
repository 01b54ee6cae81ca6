import { type Job, inOrder, orderAfter } from '@zest/core/job/job';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { useMemo } from 'react';
import { put } from '@zest/core/job/change';
import type { JobRecord } from '@zest/core/job/record';
import type { Level } from '@zest/core/job/records/level';
import type { Sheet } from '@zest/core/job/records/sheet';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import { useSettle } from '../../stores/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { useArrangement } from '../../tables/arrangement.ts';
import { Grid } from '../../tables/Grid.tsx';
import type { GridColumn, GridEdit } from '../../tables/gridProps.ts';
import { writeScale } from './scaleWords.ts';
import { t } from '../../messages/t.ts';

/** The order that puts a sheet in the given place among the others; undefined where there is no such place. */
function orderAt(sheets: readonly Sheet[], sheet: Sheet, place: number): number | undefined {
  const others = sheets.filter(({ id }) => id !== sheet.id);
  if (!Number.isInteger(place) || place < 1 || place > sheets.length) return undefined;
  const [before, after] = [others[place - 2], others[place - 1]];
  if (before === undefined) return (after?.order ?? 1) - 1;
  return after === undefined ? before.order + 1 : (before.order + after.order) / 2;
}

/** All sheets as rows: numbers, titles, disciplines, levels and scales, edited many at once. */
export function SheetsTable({ sheets }: { readonly sheets: readonly Sheet[] }) {
  const { job } = useOpenJob();
  const arrangement = useArrangement('sheets');
  const { numbers } = useFormats();
  const places = useMemo(
    () => new Map<string, number>(inOrder(job.sheet.values()).map(({ id }, index) => [id, index + 1])),
    [job.sheet],
  );
  const columns = useMemo(() => columnsOf(job.level, numbers, places), [job.level, numbers, places]);
  const onEdit = useSheetEdits();
  return (
    <Grid
      label={t('sheets.sheets')}
      columns={columns}
      rows={inOrder(sheets)}
      keyOf={({ id }) => id}
      arrangement={arrangement}
      onEdit={onEdit}
    />
  );
}

function columnsOf(
  levels: Job['level'],
  numbers: NumberFormat,
  places: ReadonlyMap<string, number>,
): readonly GridColumn<Sheet>[] {
  const text = (
    id: string,
    title: string,
    width: string,
    read: (sheet: Sheet) => string,
  ): GridColumn<Sheet> => ({
    id,
    title,
    width,
    text: read,
    show: (sheet) => (
      <span className="cut" title={read(sheet)}>
        {read(sheet)}
      </span>
    ),
    editable: () => true,
  });
  const levelOf = ({ levelId }: Sheet): string =>
    levelId === undefined ? '' : (levels.get(levelId)?.name ?? '');
  return [
    text('place', t('sheets.place'), '64px', ({ id }) => String(places.get(id) ?? '')),
    text('number', t('sheets.number'), '110px', ({ number }) => number),
    text('title', t('sheets.title'), 'minmax(240px, 1fr)', ({ title }) => title),
    text('discipline', t('sheets.discipline'), '150px', ({ discipline }) => discipline ?? ''),
    text('level', t('sheets.level'), '150px', levelOf),
    text('scale', t('sheets.scale'), '190px', (sheet) =>
      sheet.scale === null ? '' : writeScale(sheet, numbers),
    ),
    {
      ...text('printed', t('sheets.printedScale'), '150px', ({ printedScale }) => printedScale),
      editable: () => false,
    },
  ];
}

/** Takes what was typed into the table of sheets as one step. */
function useSheetEdits() {
  const { job } = useOpenJob();
  const settle = useSettle();
  const services = useServices();
  return (edits: readonly GridEdit<Sheet>[]): string | undefined => {
    const changed = new Map<string, Sheet>();
    const levels = new Map<string, Level>(
      [...job.level.values()].map((level) => [level.name.toLowerCase(), level]),
    );
    const added: JobRecord[] = [];
    for (const { row, column, text } of edits) {
      const sheet = changed.get(row.id) ?? row;
      const value = text.trim();
      if (column === 'place') {
        const order = orderAt(inOrder(job.sheet.values()), sheet, Number(value));
        if (order === undefined) return t('sheets.typeAWholeNumberFrom1To', { size: job.sheet.size });
        changed.set(row.id, { ...sheet, order });
      } else if (column === 'scale') {
        const ratio = parseScaleRatio(value);
        if (value !== '' && !ratio.ok) return describeProblem(ratio.problem);
        const scale = ratio.ok
          ? ({ ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: value } } as const)
          : null;
        changed.set(row.id, { ...sheet, scale, check: null });
      } else if (column === 'level') {
        const { levelId: _before, ...rest } = sheet;
        let level = levels.get(value.toLowerCase());
        if (level === undefined && value !== '') {
          const order = orderAfter([...levels.values()]);
          level = { type: 'level', id: services.makeId('level'), name: value, order, repeat: 1 };
          levels.set(value.toLowerCase(), level);
          added.push(level);
        }
        changed.set(row.id, level === undefined ? rest : { ...rest, levelId: level.id });
      } else changed.set(row.id, { ...sheet, [column]: value });
    }
    const label =
      changed.size === 1 ? t('sheets.changeASheet') : t('sheets.changeSheets', { size: changed.size });
    return settle(label, put(...added, ...changed.values()));
  };
}
