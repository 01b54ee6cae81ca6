import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type YardstickReading, readYardsticks } from '@zest/core/calculate/totals/readYardsticks';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Yardstick } from '@zest/core/job/records/yardstick';
import { formatUnitCost } from '@zest/core/pricing/money';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useJobState, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { newYardstick } from './newYardstick.ts';
import { styles } from './styles.ts';

const OF_WORDS: Readonly<Record<Yardstick['of'], string>> = {
  price: t('estimate.bid'),
  cost: t('estimate.directCost'),
  hours: t('estimate.laborHours'),
};

/** The estimator's own rules of thumb, and how far the job is from them. */
export function Yardsticks() {
  const { job, figures } = useOpenJob();
  const selection = useJobState((state) => state.selection);
  const services = useServices();
  const settle = useSettle();
  const readings = readYardsticks(figures);
  const add = (): void => {
    // For what is selected, so that a section or a line can be held against its own.
    const on: Yardstick['on'] =
      selection?.type === 'line'
        ? { what: 'line', line: selection.key }
        : selection?.type === 'section' && job.section.has(selection.id as Id<'section'>)
          ? { what: 'section', sectionId: selection.id as Id<'section'> }
          : { what: 'bid' };
    const refused = settle(t('estimate.addAYardstick'), put(newYardstick(job, on, services.makeId)));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <section aria-label={t('estimate.yardsticks')}>
      {readings.length === 0 ? <p className="soft">{t('estimate.aYardstickIsARuleOfThumb')}</p> : null}
      {readings.map((reading) => (
        <YardstickBox key={reading.yardstick.id} reading={reading} />
      ))}
      <Button size="xs" variant="outline" onClick={add}>
        {t('estimate.addAYardstick2')}
      </Button>
    </section>
  );
}

function YardstickBox({ reading }: { readonly reading: YardstickReading }) {
  const { yardstick } = reading;
  const { job } = useOpenJob();
  const settle = useSettle();
  const { numbers, money } = useFormats();
  const currency = yardstick.of === 'hours' ? undefined : money.currency;
  const change = (changed: Partial<Yardstick>): string | undefined =>
    settle(
      t('estimate.changeAYardstick'),
      update(yardstick, (now) => ({ ...now, ...changed })),
    );
  const limit = (label: string, key: 'low' | 'high') => (
    <CommitInput
      label={t('estimate.of3', { label, name: yardstick.name })}
      align="end"
      placeholder={label}
      value={plainToLocal(yardstick[key], numbers)}
      onCommit={(text) =>
        takeFigure(text, numbers, { as: 'amount', currency }, (kept) => change({ [key]: kept }))
      }
    />
  );
  return (
    <div className={`${layout.box} ${styles.yardstick}`} data-state={reading.state}>
      <div className={layout.alternateHead}>
        <CommitInput
          label={t('estimate.nameOfTheYardstick')}
          value={yardstick.name}
          onCommit={(name) => change({ name })}
        />
        <IconAction
          label={t('estimate.remove', { name: yardstick.name })}
          icon={Trash2}
          onClick={() => {
            const refused = settle(t('estimate.remove2', { name: yardstick.name }), remove(yardstick.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        />
      </div>
      <Reading reading={reading} />
      <YardstickOf yardstick={yardstick} change={change} job={job} />
      <YardstickDriver yardstick={yardstick} change={change} />
      <div className={styles.yardstickRow}>
        {limit(t('estimate.low'), 'low')}
        <span className="soft">{t('estimate.to2')}</span>
        {limit(t('estimate.high'), 'high')}
      </div>
    </div>
  );
}

interface YardstickDriverProps {
  readonly yardstick: Yardstick;
  readonly change: (changed: Partial<Yardstick>) => string | undefined;
}

function YardstickDriver({ yardstick, change }: YardstickDriverProps) {
  return (
    <div className={styles.yardstickRow}>
      <FormulaInput
        label={t('estimate.driverOf', { name: yardstick.name })}
        value={yardstick.driver}
        place={{ in: 'job' }}
        unit={yardstick.unit}
        onCommit={(driver) => change({ driver })}
      />
      <CommitInput
        label={t('estimate.unitOf', { name: yardstick.name })}
        placeholder={t('estimate.ftSeat')}
        style={{ width: 96 }}
        value={yardstick.unit}
        onCommit={(unit) => change({ unit: unit.trim() })}
      />
    </div>
  );
}

interface YardstickOfProps {
  readonly yardstick: Yardstick;
  readonly change: (changed: Partial<Yardstick>) => string | undefined;
  readonly job: Job;
}

/** What it takes, and of what. */
function YardstickOf({ yardstick, change, job }: YardstickOfProps) {
  return (
    <div className={styles.yardstickRow}>
      <Select
        aria-label={t('estimate.whatTakes', { name: yardstick.name })}
        value={yardstick.of}
        onChange={(event) => change({ of: event.target.value as Yardstick['of'] })}
      >
        {(['price', 'cost', 'hours'] as const).map((of) => (
          <option key={of} value={of}>
            {of === 'price' && yardstick.on.what !== 'bid' ? t('estimate.price') : OF_WORDS[of]}
          </option>
        ))}
      </Select>
      <Select
        aria-label={t('estimate.whatIsOf', { name: yardstick.name })}
        value={yardstick.on.what === 'section' ? yardstick.on.sectionId : yardstick.on.what}
        onChange={(event) => {
          const id = event.target.value;
          change({
            on: id === 'bid' ? { what: 'bid' } : { what: 'section', sectionId: id as Id<'section'> },
          });
        }}
      >
        <option value="bid">{t('estimate.ofTheJob')}</option>
        {yardstick.on.what === 'line' ? <option value="line">{t('estimate.ofOneLine')}</option> : null}
        {yardstick.on.what === 'lines' ? (
          <option value="lines">
            {t('estimate.ofLines', { lines: t('count.line', { count: yardstick.on.lines.length }) })}
          </option>
        ) : null}
        {inOrder(job.section.values()).map(({ id, code, name }) => (
          <option key={id} value={id}>
            {t('estimate.of4', { value: `${code} ${name}`.trim() })}
          </option>
        ))}
      </Select>
    </div>
  );
}

/** The figure, and where it lies in the range. */
function Reading({ reading }: { readonly reading: YardstickReading }) {
  const { money, numbers } = useFormats();
  const { each, yardstick, state, distance } = reading;
  if (each === undefined || state === 'unknown') return <p className="soft">{t('estimate.noFigureYet')}</p>;
  const write = (value: number): string =>
    yardstick.of === 'hours'
      ? `${formatNumber(value, 3, numbers)} h`
      : formatUnitCost(Math.round(value * 100) / 100, money);
  const outside = state !== 'within';
  const words = outside
    ? t(state === 'below' ? 'estimate.belowYourRange' : 'estimate.aboveYourRange', {
        figure: formatNumber(distance * 100, 0, numbers),
      })
    : t('estimate.withinYourRange');
  return (
    <div>
      <b>{write(each)}</b>
      <span className="unit"> / {yardstick.unit || t('estimate.one')}</span>
      <div className={outside ? 'warn' : 'soft'}>
        {yardstick.low === '' && yardstick.high === '' ? t('estimate.noRangeYet') : words}
      </div>
      <Scale reading={reading} />
    </div>
  );
}

/** Where the figure lies, drawn: the range in the middle half of the strip. */
function Scale({ reading: { each, yardstick } }: { readonly reading: YardstickReading }) {
  const [low, high] = [Number(yardstick.low), Number(yardstick.high)];
  if (each === undefined || yardstick.low === '' || yardstick.high === '' || high <= low) return null;
  const share = Math.max(0.02, Math.min(0.98, 0.25 + (each - low) / (high - low) / 2));
  return (
    <svg viewBox="0 0 200 10" className={styles.yardstickScale} aria-hidden="true" preserveAspectRatio="none">
      <rect x="0" y="4" width="200" height="2" />
      <rect x="50" y="3" width="100" height="4" className="range" />
      <rect x={share * 200 - 1.5} y="0" width="3" height="10" className="here" />
    </svg>
  );
}
