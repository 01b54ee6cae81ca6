import { useMemo } from 'react';
import { useFigure, useOfJob, useTables } from '../../stores/jobHooks.ts';
import type { NodeId } from '@zest/core/job/nodeId';
import { Trash2 } from 'lucide-react';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { findLine, nameOfLine } from '@zest/core/estimate/lineSources';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove } from '@zest/core/job/change';
import { inOrder, settingsOf } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';
import { COST_KINDS } from '@zest/core/job/records/assembly';
import type { Adjustment } from '@zest/core/job/records/adjustment';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { MoneyAt, MoneyText } from '../../figures/Figure.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useJobActions, useOpenJobLater } from '../../stores/context.tsx';
import { Markups } from './Markups.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import type { Settings } from '@zest/core/job/records/settings';
import type { NumberFormat } from '@zest/core/units/numberFormat';

/** From direct cost to the bid: tax, then the markups in their order, each on a stated base. */
export function Summary() {
  const settings = useOfJob(({ job }) => settingsOf(job));
  const rounding = knownValue(useFigure(bidNode('rounding'))) ?? 0;
  const settle = useSettle();
  const { numbers } = useFormats();
  const change = (label: string, ...changed: readonly JobRecord[]): string | undefined =>
    settle(label, put(...changed));
  return (
    <div aria-label={t('estimate.fromCostToBid')} role="region">
      <dl className={layout.facts} style={{ margin: '0 0 8px' }}>
        {COST_KINDS.map((kind) => (
          <Row key={kind} name={COST_WORDS[kind]} node={bidNode(kind)} />
        ))}
        <Row name={t('estimate.directCost')} node={bidNode('cost')} strong />
      </dl>
      <Adjustments />
      <TaxRow settings={settings} numbers={numbers} change={change} />
      <Markups />
      <RoundRow settings={settings} change={change} numbers={numbers} rounding={rounding} />
      <dl
        className={layout.facts}
        style={{ margin: '10px 0', borderTop: '2px solid var(--ink)', paddingTop: 6, fontSize: 15 }}
      >
        <Row name={t('estimate.bid')} node={bidNode('total')} strong />
      </dl>
      <Unpriced />
    </div>
  );
}

interface RoundRowProps {
  readonly settings: Settings;
  readonly change: (label: string, ...changed: readonly JobRecord[]) => string | undefined;
  readonly numbers: NumberFormat;
  readonly rounding: number;
}

function RoundRow({ settings, change, numbers, rounding }: RoundRowProps) {
  return (
    <div className={`${styles.taxRow} round-row`}>
      <Select
        aria-label={t('estimate.howTheBidIsRounded')}
        value={settings.bidRounding ?? 'nearest'}
        onChange={(event) =>
          change(t('estimate.roundTheBid'), {
            ...settings,
            bidRounding: event.target.value as NonNullable<typeof settings.bidRounding>,
          })
        }
      >
        <option value="nearest">{t('estimate.roundedTo')}</option>
        <option value="up">{t('estimate.roundedUp')}</option>
        <option value="down">{t('estimate.roundedDown')}</option>
      </Select>
      <CommitInput
        label={t('estimate.theBidIsAMultipleOf')}
        align="end"
        placeholder={t('estimate.no')}
        value={plainToLocal(settings.bidStep ?? '', numbers)}
        onCommit={(text) =>
          takeFigure(text, numbers, { as: 'amount', currency: settings.currency, least: 0 }, (bidStep) =>
            change(t('estimate.roundTheBid'), { ...settings, bidStep }),
          )
        }
      />
      <span />
      <span className="right">{rounding === 0 ? null : <MoneyText figure={{ value: rounding }} />}</span>
    </div>
  );
}

interface TaxRowProps {
  readonly settings: Settings;
  readonly numbers: NumberFormat;
  readonly change: (label: string, ...changed: readonly JobRecord[]) => string | undefined;
}

function TaxRow({ settings, numbers, change }: TaxRowProps) {
  return (
    <div className={styles.taxRow}>
      <span>{t('estimate.taxOnMaterials')}</span>
      <CommitInput
        label={t('estimate.taxOnMaterialsPercent')}
        align="end"
        value={plainToLocal(settings.taxOnMaterials, numbers)}
        onCommit={(text) =>
          takeFigure(text, numbers, { as: 'percent', least: 0, most: 1000 }, (taxOnMaterials) =>
            change(t('estimate.taxOnMaterials2'), { ...settings, taxOnMaterials }),
          )
        }
      />
      <span className="unit">%</span>
      <span className="right">
        <MoneyAt node={bidNode('tax')} />
      </span>
    </div>
  );
}

function Row({
  name,
  node,
  strong = false,
}: {
  readonly name: string;
  readonly node: NodeId;
  readonly strong?: boolean;
}) {
  const weight = strong ? 600 : 400;
  return (
    <>
      <dt style={{ fontWeight: weight, color: strong ? 'var(--ink)' : undefined }}>{name}</dt>
      <dd style={{ fontWeight: weight }}>
        <MoneyAt node={node} />
      </dd>
    </>
  );
}

const ADJUSTED_BY = {
  group: 'estimate.itemsOfGroup',
  tag: 'estimate.itemsWithTag',
  words: 'estimate.itemsFoundBy',
} as const;

/** What changes costs and can be taken off again. */
function Adjustments() {
  const job = useTables('adjustment', 'region', 'section');
  const regionId = useOfJob(({ job: now }) => settingsOf(now).regionId);
  const { numbers } = useFormats();
  const settle = useSettle();
  const region = regionId === undefined ? undefined : job.region.get(regionId);
  const adjustments = inOrder(job.adjustment.values());
  if (adjustments.length === 0 && region === undefined) return null;
  const where = ({ on }: Adjustment): string =>
    on.what === 'all'
      ? t('estimate.allLines')
      : on.what === 'lines'
        ? t('count.line', { count: on.lines.length })
        : on.what === 'items'
          ? t(ADJUSTED_BY[on.by], { text: on.text })
          : (job.section.get(on.sectionId)?.name ?? '');
  return (
    <ul className={styles.adjustments} aria-label={t('estimate.whatChangesCosts')}>
      {region === undefined ? null : (
        <li>
          <span className="cut">{t('estimate.pricesFor', { name: region.name })}</span>
        </li>
      )}
      {adjustments.map((each) => (
        <li key={each.id}>
          <span
            className="cut"
            title={`${each.name}: ${each.kinds.map((kind) => COST_WORDS[kind]).join(', ')}`}
          >
            {each.name} <span className="soft">{t('estimate.on2', { each: where(each) })}</span>
          </span>
          <span>{plainToLocal(each.percent, numbers)} %</span>
          <IconAction
            label={t('estimate.remove', { name: each.name })}
            icon={Trash2}
            onClick={() => {
              const refused = settle(t('estimate.remove2', { name: each.name }), remove(each.id));
              if (refused !== undefined) tellProblem(refused);
            }}
          />
        </li>
      ))}
    </ul>
  );
}

/** What the total does not hold yet, each leading to its line. */
function Unpriced() {
  const { job, figures } = useOpenJobLater();
  const actions = useJobActions();
  const unpriced = useMemo(() => listUnpriced(figures), [figures]);
  if (unpriced.length === 0) return <p className="soft">{t('estimate.everyLineHasAPrice')}</p>;
  const nameOf = (key: string): string => {
    const line = findLine(job, key);
    return line === undefined ? key : nameOfLine(line);
  };
  return (
    <section aria-label={t('estimate.notInTheTotal')}>
      <h2 style={{ fontSize: 13, fontWeight: 600, margin: '0 0 6px' }}>
        {t('estimate.notInTheTotal2', { number: unpriced.length })}
      </h2>
      {unpriced.slice(0, 12).map(({ key, failure }) => (
        <div key={key} style={{ borderLeft: '3px solid var(--pomelo)', paddingLeft: 8, marginBottom: 8 }}>
          <TextButton onClick={() => actions.select({ type: 'line', key })}>{nameOf(key)}</TextButton>
          <div className="soft" style={{ fontSize: 12 }}>
            {describeFailure(failure, job)}
          </div>
        </div>
      ))}
    </section>
  );
}
