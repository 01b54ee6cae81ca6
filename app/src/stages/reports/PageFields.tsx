import { DENSITIES, PAPERS, type ReportPage } from '@zest/core/job/records/report';
import type { OpenReport } from '@zest/core/reports/openReport';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Segments } from '../../parts/Segments.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { ChangeSpec } from './useReports.ts';

const PAPER_WORDS = {
  letter: t('report.paperLetter'),
  tabloid: t('report.paperTabloid'),
  a4: t('report.paperA4'),
  a3: t('report.paperA3'),
} as const;

const DENSITY_WORDS = {
  close: t('report.close'),
  usual: t('report.usual'),
  wide: t('report.wide'),
} as const;

interface PageFieldsProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
}

type SetPage = (changed: Partial<ReportPage>) => string | undefined;

interface FieldProps {
  readonly page: ReportPage;
  readonly set: SetPage;
}

/** How a report lies on paper. */
export function PageFields({ open, change }: PageFieldsProps) {
  const { page, groups } = open.spec;
  const set: SetPage = (changed) =>
    change(t('report.changeThePage'), (spec) => ({ ...spec, page: { ...spec.page, ...changed } }));
  return (
    <div className={styles.pageFields}>
      <PaperChoice page={page} change={change} />
      <Segments
        label={t('report.orientation')}
        value={page.landscape === true ? 'landscape' : 'portrait'}
        options={[
          ['portrait', t('report.portrait')],
          ['landscape', t('report.landscape')],
        ]}
        onChoose={(way) => void set({ landscape: way === 'landscape' })}
      />
      <Segments
        label={t('report.density')}
        value={page.density ?? 'usual'}
        options={DENSITIES.map((each) => [each, DENSITY_WORDS[each]] as const)}
        onChoose={(density) => void set({ density })}
      />
      <EdgeTexts page={page} set={set} />
      <Checkbox checked={page.tinted !== false} onChange={(tinted) => void set({ tinted })}>
        {t('report.tintedHeads')}
      </Checkbox>
      <Checkbox checked={page.logo !== false} onChange={(logo) => void set({ logo })}>
        {t('report.withLogo')}
      </Checkbox>
      {groups.length === 0 ? null : (
        <Checkbox checked={groups[0]?.startsPage === true} onChange={(on) => startPages(change, on)}>
          {t('report.eachGroupStartsAPage')}
        </Checkbox>
      )}
    </div>
  );
}

/** Whether each of the outermost groups begins a page. */
function startPages(change: ChangeSpec, on: boolean): void {
  void change(t('report.changeThePage'), (spec) => ({
    ...spec,
    groups: spec.groups.map((group, at) => {
      const { startsPage: _before, ...rest } = group;
      return at === 0 && on ? { ...rest, startsPage: true as const } : rest;
    }),
  }));
}

function PaperChoice({ page, change }: { readonly page: ReportPage; readonly change: ChangeSpec }) {
  return (
    <Labeled label={t('report.paper')}>
      {(control) => (
        <Select
          {...control}
          value={page.paper ?? ''}
          onChange={({ target }) => {
            const paper = PAPERS.find((each) => each === target.value);
            void change(t('report.changeThePage'), (spec) => {
              const { paper: _before, ...rest } = spec.page;
              return { ...spec, page: paper === undefined ? rest : { ...rest, paper } };
            });
          }}
        >
          <option value="">{t('report.asTheJobHasIt')}</option>
          {PAPERS.map((each) => (
            <option key={each} value={each}>
              {PAPER_WORDS[each]}
            </option>
          ))}
        </Select>
      )}
    </Labeled>
  );
}

function EdgeTexts({ page, set }: FieldProps) {
  return (
    <>
      <Labeled label={t('report.marginInMm')}>
        {() => (
          <CommitInput
            label={t('report.marginInMm')}
            align="end"
            value={String(page.marginMm ?? 15)}
            onCommit={(text) => set({ marginMm: Number(text) })}
          />
        )}
      </Labeled>
      <Labeled label={t('report.header')} hint={t('report.namesInBraces')}>
        {() => (
          <CommitInput
            label={t('report.header')}
            value={page.header ?? ''}
            onCommit={(text) => set({ header: text })}
          />
        )}
      </Labeled>
      <Labeled label={t('report.footer')}>
        {() => (
          <CommitInput
            label={t('report.footer')}
            value={page.footer ?? t('report.usualFooter')}
            onCommit={(text) => set({ footer: text })}
          />
        )}
      </Labeled>
    </>
  );
}
