import { Button } from '@chakra-ui/react';
import { memo, useMemo } from 'react';
import { put } from '@zest/core/job/change';
import { nestSection, unnestSection } from '@zest/core/estimate/moveRows';
import type { Id } from '@zest/core/job/id';
import { settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { MoreMenu } from '../../components/MoreMenu.tsx';
import { plural } from '../../messages/words.ts';
import { useJobNow } from '../../stores/context.tsx';
import { useOfJob, useTable } from '../../stores/jobHooks.ts';
import { ColumnChoiceButton } from './ColumnChoice.tsx';
import { EstimateTabs } from './EstimateTabs.tsx';
import { USUAL_COLUMNS, listColumns } from './columns.tsx';
import { useEstimate } from './useEstimate.ts';

interface EstimateBarProps {
  /** How many priced lines there are. */
  readonly lines: number;
  /** The row that is current, which a new line comes below, and the section it stands in. */
  readonly currentPlace: () => {
    readonly key: string | undefined;
    readonly sectionId: Id<'section'> | null;
  };
  readonly shown: readonly string[];
  readonly onColumns: (ids: readonly string[]) => void;
  readonly onCopy: () => void;
  readonly onTemplate: () => void;
  /** Told once a line is there that the next keys are for. */
  readonly onAdded: () => void;
}

/** What can be added to the lines, and how they are shown. Drawn anew only when one of its props is another. */
export const EstimateBar = memo(function EstimateBar(props: EstimateBarProps) {
  const { lines, currentPlace, shown, onColumns, onCopy, onTemplate, onAdded } = props;
  const estimate = useEstimate();
  const jobNow = useJobNow();
  const byCode = useOfJob(({ job }) => settingsOf(job).linesBy === 'code');
  const scopes = useTable('scope');
  const all = useMemo(() => listColumns(scopes), [scopes]);
  /** Letters typed right after it must find the new line, and not the pens. */
  const addLine = (content?: Parameters<typeof estimate.addLine>[2]): void => {
    const { key, sectionId } = currentPlace();
    estimate.addLine(sectionId, key, content);
    onAdded();
  };
  const addSection = (parentId: Id<'section'> | null): void => {
    estimate.addSection(parentId);
  };
  const spread = (): void => {
    const { linesBy, ...rest } = settingsOf(jobNow());
    const next: Settings = linesBy === 'code' ? rest : { ...rest, linesBy: 'code' };
    estimate.tellRefused(estimate.settle('where lines of assemblies stand', put(next)));
  };
  const nest = (how: typeof nestSection): void => {
    const job = jobNow();
    const { sectionId } = currentPlace();
    const section = sectionId === null ? undefined : job.section.get(sectionId);
    const moved = section === undefined ? undefined : how(job, section);
    if (moved === undefined)
      estimate.tellRefused('Select a section that has another one above it or around it.');
    else estimate.tellRefused(estimate.settle(`move section ${moved.name}`, put(moved)));
  };
  return (
    <div className="bar wraps">
      <EstimateTabs />
      <span className="soft">{plural(lines, 'line')}</span>
      <span className="grow" />
      <ColumnChoiceButton all={all} usual={USUAL_COLUMNS} shown={shown} onChoose={onColumns} />
      <Button size="sm" variant="outline" onClick={onCopy}>
        Copy from a job
      </Button>
      <MoreMenu
        label="More to add"
        entries={[
          ['Add a text row', () => addLine({ is: 'text', description: 'Text' })],
          ['Add a subtotal', () => addLine({ is: 'subtotal', description: 'Subtotal' })],
          ['Add a section inside', () => addSection(currentPlace().sectionId)],
          ['Move the section into the one above', () => nest(nestSection)],
          ['Move the section out one level', () => nest(unnestSection)],
          [byCode ? 'Show lines under their scopes' : 'Show lines in their sections', spread],
          ['Save the job as a template', onTemplate],
        ]}
      />
      <Button size="sm" variant="outline" onClick={() => addSection(null)}>
        Add a section
      </Button>
      <Button size="sm" onClick={() => addLine()}>
        Add a line
      </Button>
    </div>
  );
});
