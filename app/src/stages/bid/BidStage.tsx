import { Button } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import * as z from 'zod';
import { update } from '@zest/core/job/change';
import { inOrder, settingsOf } from '@zest/core/job/job';
import type { TextBlock } from '@zest/core/job/records/textBlock';
import { useTable } from '../../stores/jobHooks.ts';
import type { Settings } from '@zest/core/job/records/settings';
import { BID_DETAILS, type BidDetail, bidReport } from '@zest/core/reports/bidReport';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useFormats, useLook, useOpenJob, useServices } from '../../stores/context.tsx';
import { DocumentLanguage } from '../../figures/DocumentLanguage.tsx';
import { BidPaper } from './BidPaper.tsx';
import { type BidModel, bidModel } from './bidModel.ts';
import { useChoice } from '../../stores/useChoice.ts';
import { Select, TextArea } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

const DETAIL_WORDS: Readonly<Record<BidDetail, string>> = {
  total: t('bid.theTotalOnly'),
  sections: t('bid.sections'),
  scopes: t('bid.sectionsAndWhatWasMeasured'),
  lines: t('bid.allLinesPricedBySection'),
  items: t('bid.everyLinePriced'),
  zones: t('bid.byZone'),
  levels: t('bid.byLevel'),
};

const DETAIL: z.ZodType<BidDetail> = z.enum(BID_DETAILS);

/** The bid as it goes to the client, and the files that go with it. */
export function BidStage() {
  const { job, figures } = useOpenJob();
  const [detail, setDetail] = useChoice<BidDetail>('bid-detail', 'sections', DETAIL);
  const model = useBidModel(detail);
  const unpriced = listUnpriced(figures).length;
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <h1>{t('bid.bid')}</h1>
        <label className="soft">
          {t('bid.theClientSees')}{' '}
          <Select
            style={{ width: 'auto' }}
            value={detail}
            onChange={(event) => setDetail(event.target.value as BidDetail)}
          >
            {BID_DETAILS.map((each) => (
              <option key={each} value={each}>
                {DETAIL_WORDS[each]}
              </option>
            ))}
          </Select>
        </label>
        {unpriced > 0 ? (
          <span className="warn cut">
            {t('bid.notInTheTotalYet', { lines: t('count.line', { count: unpriced }) })}
          </span>
        ) : null}
        <span className="grow" />
        <Exports model={model} detail={detail} />
      </div>
      <div className={styles.bid}>
        <div className={styles.bidDesk} tabIndex={0} role="region" aria-label={t('bid.theBidAsItIsPrinted')}>
          <BidPaper model={model} />
        </div>
        <Wording settings={settingsOf(job)} />
      </div>
    </div>
  );
}

/** The bid as it is now, at the detail that was chosen. */
function useBidModel(detail: BidDetail): BidModel {
  const { figures } = useOpenJob();
  const { money } = useFormats();
  const hasSamples = useLook()?.open.some(({ about }) => about.rule === 'price-sample') === true;
  const report = useMemo(() => bidReport(figures, detail), [figures, detail]);
  return useMemo(() => bidModel(report, money, { hasSamples }), [report, money, hasSamples]);
}

function Exports({ model, detail }: { readonly model: BidModel; readonly detail: BidDetail }) {
  const { job } = useOpenJob();
  const services = useServices();
  const [busy, setBusy] = useState(false);
  const name = settingsOf(job).name;
  const write = async (extension: string, make: () => Promise<Blob>): Promise<void> => {
    setBusy(true);
    try {
      services.download(fileName(name, extension), await make());
    } catch {
      tellProblem(t('bid.theCouldntBeWrittenNothingWasChanged', { value: extension.slice(1).toUpperCase() }));
    }
    setBusy(false);
  };
  return (
    <>
      <FileButtons busy={busy} write={write} detail={detail} />
      <Button size="sm" variant="outline" onClick={() => window.print()}>
        {t('bid.print')}
      </Button>
      <Button
        size="sm"
        disabled={busy}
        onClick={() => void write('-bid.pdf', async () => (await import('./writePdf.ts')).writeBidPdf(model))}
      >
        <Download size={14} /> {t('bid.bidAsPdf')}
      </Button>
    </>
  );
}

interface FileButtonsProps {
  readonly detail: BidDetail;
  readonly busy: boolean;
  readonly write: (extension: string, make: () => Promise<Blob>) => Promise<void>;
}

function FileButtons({ busy, write, detail }: FileButtonsProps) {
  const { figures } = useOpenJob();
  return (
    <>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        onClick={() =>
          void write('-estimate.csv', async () => (await import('./writeCsv.ts')).writeCsv(figures))
        }
      >
        <Download size={14} /> {t('bid.cSV')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        title={t('bid.eachPartOnceWithTheTotalTo')}
        onClick={() =>
          void write('-materials.csv', async () => (await import('./writeCsv.ts')).writeMaterials(figures))
        }
      >
        <Download size={14} /> {t('bid.materialList')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        title={t('bid.withCosts')}
        onClick={() =>
          void write('-estimate.xlsx', async () => (await import('./writeXlsx.ts')).writeXlsx(figures))
        }
      >
        <Download size={14} /> {t('bid.workbookForOffice')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        title={t('bid.withoutCosts')}
        onClick={() =>
          void write('-bid.xlsx', async () => (await import('./writeXlsx.ts')).writeBidXlsx(figures, detail))
        }
      >
        <Download size={14} /> {t('bid.workbookForClient')}
      </Button>
    </>
  );
}

function Wording({ settings }: { readonly settings: Settings }) {
  const settle = useSettle();
  const set = (changed: Partial<Settings>): string | undefined => {
    return settle(
      t('bid.wordingOfTheBid'),
      update(settings, (now) => ({ ...now, ...changed })),
    );
  };
  const short = (key: 'name' | 'client' | 'company' | 'location' | 'bidDate', label: string) => (
    <div>
      <div className="soft" style={{ fontSize: 13 }}>
        {label}
      </div>
      <CommitInput label={label} value={settings[key]} onCommit={(text) => set({ [key]: text.trim() })} />
    </div>
  );
  return (
    <aside className={styles.bidSide} aria-label={t('bid.wordingOfTheBid2')}>
      {short('company', t('bid.yourCompany'))}
      <LongText
        label={t('bid.yourAddress')}
        value={settings.companyAddress}
        rows={3}
        onCommit={(text) => set({ companyAddress: text })}
      />
      {short('name', t('bid.job'))}
      {short('location', t('bid.location'))}
      {short('client', t('bid.client'))}
      <LongText
        label={t('bid.clientsAddress')}
        value={settings.clientAddress}
        rows={2}
        onCommit={(text) => set({ clientAddress: text })}
      />
      <DateAndDays short={short} settings={settings} set={set} />
      <WhatIsIncluded settings={settings} set={set} />
      <Checkbox
        className={styles.bidChoice}
        checked={settings.notesInBid === true}
        onChange={(on) => set({ notesInBid: on })}
      >
        {t('bid.howItWasCalculatedNotesFromThe')}
      </Checkbox>
      <DocumentLanguage settings={settings} set={set} />
    </aside>
  );
}

interface WhatIsIncludedProps {
  readonly settings: Settings;
  readonly set: (changed: Partial<Settings>) => string | undefined;
}

const WhatIsIncluded = ({ settings, set }: WhatIsIncludedProps) => (
  <>
    <LongText
      label={t('bid.includedOnePerLine')}
      value={settings.inclusions}
      rows={6}
      onCommit={(text) => set({ inclusions: text })}
    />
    <TextChoice
      of="inclusions"
      label={t('bid.included')}
      onText={(text) => set({ inclusions: joined(settings.inclusions, text) })}
    />
    <LongText
      label={t('bid.notIncludedOnePerLine')}
      value={settings.exclusions}
      rows={4}
      onCommit={(text) => set({ exclusions: text })}
    />
    <TextChoice
      of="exclusions"
      label={t('bid.notIncluded')}
      onText={(text) => set({ exclusions: joined(settings.exclusions, text) })}
    />
  </>
);

const joined = (before: string, text: string): string =>
  before.trim() === '' ? text : `${before.trimEnd()}\n${text}`;

interface TextChoiceProps {
  readonly of: TextBlock['for'];
  readonly label: string;
  readonly onText: (text: string) => void;
}

/** Texts the company keeps for this place, each added by choosing it; nothing where it keeps none. */
function TextChoice({ of, label, onText }: TextChoiceProps) {
  const blocks = inOrder(useTable('textBlock').values()).filter(
    (each) => each.for === of && each.text !== '',
  );
  if (blocks.length === 0) return null;
  return (
    <Select
      small
      aria-label={t('bid.addAText', { label })}
      value=""
      onChange={({ target }) => {
        const block = blocks.find(({ id }) => id === target.value);
        if (block !== undefined) onText(block.text);
      }}
    >
      <option value="">{t('bid.addAText2')}</option>
      {blocks.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}

interface DateAndDaysProps {
  readonly short: (
    key: 'name' | 'client' | 'company' | 'location' | 'bidDate',
    label: string,
  ) => React.JSX.Element;
  readonly settings: Settings;
  readonly set: (changed: Partial<Settings>) => string | undefined;
}

function DateAndDays({ short, settings, set }: DateAndDaysProps) {
  return (
    <div className={layout.formTwo}>
      {short('bidDate', t('bid.dateAs20261124'))}
      <div>
        <div className="soft" style={{ fontSize: 13 }}>
          {t('bid.validForSoManyDays')}
        </div>
        <CommitInput
          label={t('bid.validForSoManyDays')}
          align="end"
          value={String(settings.validDays)}
          onCommit={(text) => set({ validDays: Number(text) })}
        />
      </div>
    </div>
  );
}

function LongText({
  label,
  value,
  rows,
  onCommit,
}: {
  readonly label: string;
  readonly value: string;
  readonly rows: number;
  readonly onCommit: (text: string) => string | undefined;
}) {
  const [draft, setDraft] = useState<string | undefined>();
  const [error, setError] = useState<string | undefined>();
  const leave = (): void => {
    if (draft === undefined) return;
    const refused = draft === value ? undefined : onCommit(draft);
    setError(refused);
    if (refused === undefined) setDraft(undefined);
  };
  return (
    <Labeled label={label} error={error}>
      {(control) => (
        <TextArea
          {...control}
          rows={rows}
          value={draft ?? value}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={leave}
        />
      )}
    </Labeled>
  );
}
