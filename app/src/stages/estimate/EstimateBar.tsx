import { Button } from '@chakra-ui/react';
import { memo, useMemo } from 'react';
import { put } from '@zest/core/job/change';
import { nestSection, unnestSection } from '@zest/core/estimate/moveRows';
import type { Id } from '@zest/core/job/id';
import { settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { useJobNow } from '../../stores/context.tsx';
import { useOfJob, useTable } from '../../stores/jobHooks.ts';
import { ColumnChoiceButton } from './ColumnChoice.tsx';
import { EstimateTabs } from './EstimateTabs.tsx';
import { USUAL_COLUMNS, listColumns } from './columns.tsx';
import { useEstimate } from './useEstimate.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import type { Line } from '@zest/core/job/records/line';

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
  readonly onFoldAll: (isFolded: boolean) => void;
}

/** What can be added to the lines, and how they are shown. Drawn anew only when one of its props is another. */
export const EstimateBar = memo(function EstimateBar(props: EstimateBarProps) {
  const { lines, currentPlace, shown, onColumns, onCopy, onTemplate, onAdded, onFoldAll } = props;
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
    estimate.tellRefused(estimate.settle(t('estimate.whereLinesOfAssembliesStand'), put(next)));
  };
  const nest = (how: typeof nestSection): void => {
    const job = jobNow();
    const { sectionId } = currentPlace();
    const section = sectionId === null ? undefined : job.section.get(sectionId);
    const moved = section === undefined ? undefined : how(job, section);
    if (moved === undefined) estimate.tellRefused(t('estimate.selectASectionThatHasAnotherOne'));
    else estimate.tellRefused(estimate.settle(t('estimate.moveSection', { name: moved.name }), put(moved)));
  };
  return (
    <div className={`${layout.bar} wraps`}>
      <EstimateTabs />
      <span className="soft">{t('count.line', { count: lines })}</span>
      <span className="grow" />
      <ColumnChoiceButton all={all} usual={USUAL_COLUMNS} shown={shown} onChoose={onColumns} />
      <Button size="sm" variant="outline" onClick={onCopy}>
        {t('estimate.copyFromAJob')}
      </Button>
      <MoreToAdd
        addLine={addLine}
        addSection={addSection}
        currentPlace={currentPlace}
        nest={nest}
        byCode={byCode}
        spread={spread}
        onTemplate={onTemplate}
        onFoldAll={onFoldAll}
      />
      <Button size="sm" variant="outline" onClick={() => addSection(null)}>
        {t('estimate.addASection')}
      </Button>
      <Button size="sm" onClick={() => addLine()}>
        {t('estimate.addALine')}
      </Button>
    </div>
  );
});

interface MoreToAddProps {
  readonly addLine: (
    content?: Parameters<
      (sectionId: Id<'section'> | null, below: string | undefined, content?: Partial<Line>) => void
    >[2],
  ) => void;
  readonly addSection: (parentId: Id<'section'> | null) => void;
  readonly currentPlace: () => { readonly key: string | undefined; readonly sectionId: Id<'section'> | null };
  readonly nest: (how: typeof nestSection) => void;
  readonly byCode: boolean;
  readonly spread: () => void;
  readonly onTemplate: () => void;
  readonly onFoldAll: (isFolded: boolean) => void;
}

function MoreToAdd(props: MoreToAddProps) {
  const { addLine, addSection, currentPlace, nest, byCode, spread, onTemplate, onFoldAll } = props;
  return (
    <MoreMenu
      label={t('estimate.moreToAdd')}
      entries={[
        [t('estimate.addATextRow'), () => addLine({ is: 'text', description: t('estimate.text') })],
        [t('estimate.addASubtotal'), () => addLine({ is: 'subtotal', description: t('estimate.subtotal') })],
        [t('estimate.addASectionInside'), () => addSection(currentPlace().sectionId)],
        [t('estimate.moveTheSectionIntoTheOneAbove'), () => nest(nestSection)],
        [t('estimate.moveTheSectionOutOneLevel'), () => nest(unnestSection)],
        [t('estimate.collapseAll'), () => onFoldAll(true)],
        [t('estimate.expandAll'), () => onFoldAll(false)],
        [byCode ? t('estimate.showLinesUnderTheirScopes') : t('estimate.showLinesInTheirSections'), spread],
        [t('estimate.saveTheJobAsATemplate'), onTemplate],
      ]}
    />
  );
}
