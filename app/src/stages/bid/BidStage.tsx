import { Button } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { update } from '@zest/core/job/change';
import { settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { formatMoney } from '@zest/core/pricing/money';
import { BID_DETAILS, type BidDetail, bidReport } from '@zest/core/reports/bidReport';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { CommitInput } from '../../components/CommitInput.tsx';
import { Labeled } from '../../components/Labeled.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { plural } from '../../messages/words.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { bidWords } from './bidWords.ts';
import { Select, TextArea } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';

const DETAIL_WORDS: Readonly<Record<BidDetail, string>> = {
  total: 'The total only',
  sections: 'Sections',
  scopes: 'Sections and what was measured',
};

/** The bid as it goes to the client, and the files that go with it. */
export function BidStage() {
  const { job, figures } = useOpenJob();
  const [detail, setDetail] = useState<BidDetail>('sections');
  const unpriced = listUnpriced(figures).length;
  return (
    <div className="stage">
      <div className="bar">
        <h1>Bid</h1>
        <label className="soft">
          The client sees{' '}
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
          <span className="warn cut">{plural(unpriced, 'line')} not in the total yet</span>
        ) : null}
        <span className="grow" />
        <Exports detail={detail} />
      </div>
      <div className="bid">
        <div className="bid-desk" tabIndex={0} role="region" aria-label="The bid as it is printed">
          <Paper detail={detail} />
        </div>
        <Wording settings={settingsOf(job)} />
      </div>
    </div>
  );
}

function Exports({ detail }: { readonly detail: BidDetail }) {
  const { job, figures } = useOpenJob();
  const services = useServices();
  const { money } = useFormats();
  const [busy, setBusy] = useState(false);
  const name = settingsOf(job).name;
  const write = async (extension: string, make: () => Promise<Blob>): Promise<void> => {
    setBusy(true);
    try {
      services.download(fileName(name, extension), await make());
    } catch {
      tellProblem(
        `The ${extension.slice(1).toUpperCase()} couldn’t be written. Nothing was changed. Try again.`,
      );
    }
    setBusy(false);
  };
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
        <Download size={14} /> CSV
      </Button>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        title="Each part once, with the total to buy"
        onClick={() =>
          void write('-materials.csv', async () => (await import('./writeCsv.ts')).writeMaterials(figures))
        }
      >
        <Download size={14} /> Material list
      </Button>
      <Button
        size="sm"
        variant="outline"
        disabled={busy}
        onClick={() =>
          void write('-estimate.xlsx', async () => (await import('./writeXlsx.ts')).writeXlsx(figures))
        }
      >
        <Download size={14} /> XLSX
      </Button>
      <Button size="sm" variant="outline" onClick={() => window.print()}>
        Print
      </Button>
      <Button
        size="sm"
        disabled={busy}
        onClick={() =>
          void write('-bid.pdf', async () =>
            (await import('./writePdf.ts')).writeBidPdf(bidReport(figures, detail), money),
          )
        }
      >
        <Download size={14} /> Bid as PDF
      </Button>
    </>
  );
}

function Paper({ detail }: { readonly detail: BidDetail }) {
  const { figures } = useOpenJob();
  const { money } = useFormats();
  const report = bidReport(figures, detail);
  const { settings } = report;
  const words = bidWords(report);
  return (
    <article className="bid-paper" aria-label="Bid">
      <header
        style={{
          display: 'flex',
          justifyContent: 'space-between',
          gap: 24,
          borderBottom: '2px solid #1e4b39',
          paddingBottom: 12,
        }}
      >
        <div>
          <b style={{ fontSize: 18 }}>{settings.company || 'Your company'}</b>
          <div style={{ whiteSpace: 'pre-line', color: '#56615a' }}>{settings.companyAddress}</div>
        </div>
        <div style={{ textAlign: 'right' }}>
          <b style={{ fontSize: 18 }}>Bid</b>
          <div style={{ color: '#56615a' }}>{words.dated}</div>
        </div>
      </header>
      <section style={{ marginTop: 16 }}>
        <div style={{ color: '#56615a' }}>For</div>
        <b>{settings.client}</b>
        <div style={{ whiteSpace: 'pre-line' }}>{settings.clientAddress}</div>
        <h2 style={{ fontSize: 16, fontWeight: 600, margin: '14px 0 0' }}>{settings.name}</h2>
        <div style={{ color: '#56615a' }}>{settings.location}</div>
      </section>
      <table>
        <tbody>
          {report.rows.flatMap((row) => [
            <tr key={row.name}>
              <td style={{ width: 44, color: '#56615a' }}>{row.code}</td>
              <td style={{ fontWeight: row.inner.length > 0 ? 600 : 400 }}>{row.name}</td>
              <td className="right" style={{ fontWeight: row.inner.length > 0 ? 600 : 400 }}>
                {formatMoney(row.amount, money)}
              </td>
            </tr>,
            ...row.inner.map((inner) => (
              <tr key={`${row.name} ${inner.name}`}>
                <td />
                <td style={{ paddingLeft: 14 }}>{inner.name}</td>
                <td className="right">{formatMoney(inner.amount, money)}</td>
              </tr>
            )),
          ])}
          <tr className="total">
            <td colSpan={2}>{words.total}</td>
            <td className="right">{formatMoney(report.total, money)}</td>
          </tr>
        </tbody>
      </table>
      <Paragraphs title="Included" lines={report.inclusions} />
      <Paragraphs title="Not included" lines={report.exclusions} />
      <Paragraphs title="How it was calculated" lines={report.notes} />
      <p style={{ marginTop: 16 }}>{words.valid}</p>
    </article>
  );
}

function Paragraphs({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section>
      <h3 style={{ fontSize: 13, fontWeight: 600, margin: '10px 0 2px' }}>{title}</h3>
      <ul style={{ margin: 0, paddingLeft: 18 }}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

function Wording({ settings }: { readonly settings: Settings }) {
  const settle = useSettle();
  const set = (changed: Partial<Settings>): string | undefined => {
    return settle(
      'wording of the bid',
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
    <aside className="bid-side" aria-label="Wording of the bid">
      {short('company', 'Your company')}
      <LongText
        label="Your address"
        value={settings.companyAddress}
        rows={3}
        onCommit={(text) => set({ companyAddress: text })}
      />
      {short('name', 'Job')}
      {short('location', 'Location')}
      {short('client', 'Client')}
      <LongText
        label="Client’s address"
        value={settings.clientAddress}
        rows={2}
        onCommit={(text) => set({ clientAddress: text })}
      />
      <div className="form-two">
        {short('bidDate', 'Date, as 2026-11-24')}
        <div>
          <div className="soft" style={{ fontSize: 13 }}>
            Valid for, days
          </div>
          <CommitInput
            label="Valid for, days"
            align="end"
            value={String(settings.validDays)}
            onCommit={(text) => set({ validDays: Number(text) })}
          />
        </div>
      </div>
      <LongText
        label="Included, one per line"
        value={settings.inclusions}
        rows={6}
        onCommit={(text) => set({ inclusions: text })}
      />
      <LongText
        label="Not included, one per line"
        value={settings.exclusions}
        rows={4}
        onCommit={(text) => set({ exclusions: text })}
      />
      <Checkbox
        className="bid-choice"
        checked={settings.notesInBid === true}
        onChange={(on) => set({ notesInBid: on })}
      >
        How it was calculated: notes from the assemblies, with current figures
      </Checkbox>
    </aside>
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
