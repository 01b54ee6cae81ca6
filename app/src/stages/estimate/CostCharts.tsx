import {
  BarController,
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  Legend,
  LinearScale,
  Tooltip,
} from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { knownValue } from '@zest/core/calculate/define';
import { sectionNode } from '@zest/core/calculate/graph/nodes';
import { NO_SECTION } from '@zest/core/job/lineKey';
import { inOrder } from '@zest/core/job/job';
import { COST_KINDS } from '@zest/core/job/records/assembly';
import { formatMoney, formatMoneyShort } from '@zest/core/pricing/money';
import { type CraftHours, hoursByCraft } from '@zest/core/reports/hoursByCraft';
import { SPLITS, type Split, splitBid } from '@zest/core/reports/splitBid';
import { formatNumber } from '@zest/core/units/numberFormat';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { CHART_FONT, type ChartColors, useChartColors } from './chartColors.ts';
import { styles } from './styles.ts';
import { t } from '../../messages/t.ts';
import type { Figures } from '@zest/core/calculate/figures';
import { Empty } from '../../parts/Empty.tsx';

ChartJs.defaults.font.family = CHART_FONT;
ChartJs.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip);

const BARS = {
  animation: false as const,
  responsive: true,
  maintainAspectRatio: false,
  indexAxis: 'y' as const,
};

const axesOf = (colors: ChartColors, write: (value: number) => string) => ({
  x: {
    stacked: true,
    grid: { color: colors.line },
    ticks: { color: colors.soft, callback: (value: string | number) => write(Number(value)) },
  },
  y: { stacked: true, grid: { display: false }, ticks: { color: colors.ink } },
});

/** Cost by section, split by kind; and who works how long. */
export function CostCharts() {
  const { job, figures } = useOpenJob();
  const { money, numbers } = useFormats();
  const colors = useChartColors();
  const sections = [
    ...inOrder(job.section.values())
      .filter(({ parentId }) => parentId === null)
      .map(({ id, code, name }) => ({ id: id as string, name: `${code} ${name}`.trim() })),
    { id: NO_SECTION, name: t('estimate.noSection') },
  ].filter(({ id }) => (knownValue(figures.figure(sectionNode(id, 'cost'))) ?? 0) !== 0);
  const crafts = hoursByCraft(figures);
  if (sections.length === 0)
    return (
      <Empty title={t('estimate.nothingIsPricedYet')}>{t('estimate.whenLinesHaveCostsYoullSeeThem')}</Empty>
    );
  const shades = [colors.rind, colors.zest, colors.pomelo, colors.leaf, colors.soft];
  const kinds = COST_KINDS.map((kind, at) => ({
    label: COST_WORDS[kind],
    data: sections.map(({ id }) => knownValue(figures.figure(sectionNode(id, kind))) ?? 0),
    backgroundColor: shades[at] ?? colors.ink,
    borderColor: colors.ink,
    borderWidth: 0.5,
  })).filter(({ data }) => data.some((amount) => amount !== 0));
  const writeMoney = (minor: number): string => formatMoney(Math.round(minor), money);
  const writeAxis = (minor: number): string => formatMoneyShort(Math.round(minor), money);
  const writeHours = (hours: number): string => `${formatNumber(hours, 1, numbers)} h`;
  return (
    <>
      <CostBySection
        sections={sections}
        writeMoney={writeMoney}
        figures={figures}
        kinds={kinds}
        colors={colors}
        writeAxis={writeAxis}
      />
      <HoursByCraft crafts={crafts} writeHours={writeHours} colors={colors} />
      {SPLITS.map((by) => (
        <Places key={by} by={by} figures={figures} writeMoney={writeMoney} writeHours={writeHours} />
      ))}
    </>
  );
}

interface PlacesProps {
  readonly by: Split;
  readonly figures: Figures;
  readonly writeMoney: (minor: number) => string;
  readonly writeHours: (hours: number) => string;
}

const SPLIT_WORDS: Readonly<Record<Split, string>> = {
  zone: t('estimate.byZone'),
  level: t('estimate.byLevel'),
};

/** What each zone or level costs, brings and takes, as its marks lie in it; nothing where the job has none. */
function Places({ by, figures, writeMoney, writeHours }: PlacesProps) {
  const parts = splitBid(figures, by);
  if (!parts.some(({ id }) => id !== '')) return null;
  return (
    <section aria-label={SPLIT_WORDS[by]}>
      <h2>{SPLIT_WORDS[by]}</h2>
      <table className={styles.places}>
        <thead>
          <tr>
            <td />
            <th scope="col">{t('estimate.directCost')}</th>
            <th scope="col">{t('estimate.priceToTheClient')}</th>
            <th scope="col">{t('estimate.hours')}</th>
          </tr>
        </thead>
        <tbody>
          {parts.map(({ id, name, cost, price, hours }) => (
            <tr key={id}>
              <th scope="row">{name === '' ? t('estimate.inNoPlace') : name}</th>
              <td>{writeMoney(cost)}</td>
              <td>{writeMoney(price)}</td>
              <td>{writeHours(hours)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface HoursByCraftProps {
  readonly crafts: readonly CraftHours[];
  readonly writeHours: (hours: number) => string;
  readonly colors: ChartColors;
}

function HoursByCraft({ crafts, writeHours, colors }: HoursByCraftProps) {
  return (
    <section aria-label={t('estimate.hoursByCraft')}>
      <h2>{t('estimate.hoursByCraft')}</h2>
      {crafts.length === 0 ? (
        <p className="soft">{t('estimate.noLineHasLaborHoursYet')}</p>
      ) : (
        <div style={{ height: 50 + crafts.length * 28 }}>
          <Bar
            role="img"
            aria-label={crafts
              .map(({ craft, hours }) => `${craft?.name ?? t('estimate.noCraft')} ${writeHours(hours)}`)
              .join(', ')}
            data={{
              labels: crafts.map(
                ({ craft, hours }) => `${craft?.name ?? t('estimate.noCraft')}, ${writeHours(hours)}`,
              ),
              datasets: [
                {
                  label: t('estimate.hours'),
                  data: crafts.map(({ hours }) => hours),
                  backgroundColor: colors.zest,
                  borderColor: colors.ink,
                  borderWidth: 0.5,
                },
              ],
            }}
            options={{
              ...BARS,
              plugins: {
                legend: { display: false },
                tooltip: { callbacks: { label: ({ raw }) => writeHours(Number(raw)) } },
              },
              scales: axesOf(colors, writeHours),
            }}
          />
        </div>
      )}
    </section>
  );
}

interface CostBySectionProps {
  readonly sections: { id: string; name: string }[];
  readonly writeMoney: (minor: number) => string;
  readonly figures: Figures;
  readonly kinds: {
    label: string;
    data: number[];
    backgroundColor: string;
    borderColor: string;
    borderWidth: number;
  }[];
  readonly colors: ChartColors;
  readonly writeAxis: (minor: number) => string;
}

function CostBySection({ sections, writeMoney, figures, kinds, colors, writeAxis }: CostBySectionProps) {
  return (
    <section aria-label={t('estimate.costBySectionAndKind')}>
      <h2>{t('estimate.costBySectionAndKind')}</h2>
      <div style={{ height: 60 + sections.length * 34 }}>
        <Bar
          role="img"
          aria-label={sections
            .map(
              ({ id, name }) =>
                `${name} ${writeMoney(knownValue(figures.figure(sectionNode(id, 'cost'))) ?? 0)}`,
            )
            .join(', ')}
          data={{ labels: sections.map(({ name }) => name), datasets: kinds }}
          options={{
            ...BARS,
            plugins: {
              legend: { position: 'top', align: 'start', labels: { color: colors.ink, boxWidth: 12 } },
              tooltip: {
                callbacks: {
                  label: ({ dataset, raw }) => `${dataset.label ?? ''} ${writeMoney(Number(raw))}`,
                },
              },
            },
            scales: axesOf(colors, writeAxis),
          }}
        />
      </div>
    </section>
  );
}
