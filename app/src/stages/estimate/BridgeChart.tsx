import { BarController, BarElement, CategoryScale, Chart as ChartJs, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { formatMoney, formatMoneyShort } from '@zest/core/pricing/money';
import { BRIDGE_CAUSES, type Bridge } from '@zest/core/reports/bridge';
import { useFormats } from '../../stores/context.tsx';
import { CHART_FONT, useChartColors } from './chartColors.ts';
import { CAUSE_WORDS } from './causeWords.ts';
import { t } from '../../messages/t.ts';

ChartJs.defaults.font.family = CHART_FONT;
ChartJs.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

interface Step {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly whole: boolean;
}

function stepsOf(bridge: Bridge): readonly Step[] {
  const steps: Step[] = [{ name: t('estimate.from'), from: 0, to: bridge.from, whole: true }];
  let at = bridge.from;
  const add = (name: string, amount: number): void => {
    steps.push({ name, from: at, to: at + amount, whole: false });
    at += amount;
  };
  for (const cause of BRIDGE_CAUSES) add(CAUSE_WORDS[cause], bridge.by[cause]);
  add(t('estimate.tax'), bridge.tax);
  add(t('estimate.markup'), bridge.markup);
  steps.push({ name: t('estimate.to'), from: 0, to: bridge.to, whole: true });
  return steps;
}

/** A round figure below the lowest, so that the steps are tall enough to be compared. */
function niceFloor(low: number, high: number): number {
  if (low <= 0) return low;
  const below = low - Math.max(high - low, high * 0.01);
  const step = 10 ** Math.floor(Math.log10(Math.max(1, high - below)));
  return Math.max(0, Math.floor(below / step) * step);
}

/** Each cause hangs where the one before it ended. The scale begins near the smaller bid: the steps are what counts. */
export function BridgeChart({ bridge }: { readonly bridge: Bridge }) {
  const { money } = useFormats();
  const colors = useChartColors();
  const steps = stepsOf(bridge);
  const ends = steps.flatMap(({ from, to, whole }) => (whole ? [to] : [from, to]));
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const floor = niceFloor(low, high);
  const write = (minor: number): string => formatMoney(minor, money);
  const words = steps
    .map(({ name, from, to, whole }) => `${name} ${write(whole ? to : to - from)}`)
    .join(', ');
  return (
    <Bar
      role="img"
      aria-label={t('estimate.whatChangedTheBid', { words })}
      data={{
        labels: steps.map(({ name, from, to, whole }) => [name, write(whole ? to : to - from)]),
        datasets: [
          {
            data: steps.map(({ from, to, whole }) => [whole ? floor : from, to]),
            backgroundColor: steps.map(({ from, to, whole }) =>
              whole ? colors.rind : to >= from ? colors.pomelo : colors.leaf,
            ),
            borderColor: colors.ink,
            borderWidth: steps.map(({ whole }) => (whole ? 1 : 0)),
            barPercentage: 0.8,
            categoryPercentage: 0.9,
          },
        ],
      }}
      options={{
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        plugins: {
          legend: { display: false },
          tooltip: {
            callbacks: {
              label: ({ dataIndex }) => {
                const step = steps[dataIndex];
                return step === undefined ? '' : write(step.whole ? step.to : step.to - step.from);
              },
            },
          },
        },
        scales: {
          x: { grid: { display: false }, ticks: { color: colors.ink } },
          y: {
            min: floor,
            grid: { color: colors.line },
            ticks: { color: colors.soft, callback: (value) => formatMoneyShort(Number(value), money) },
          },
        },
      }}
    />
  );
}
