import { Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { markupNode } from '@zest/core/calculate/graph/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { type Grade, MARKUP_BASES, type Markup } from '@zest/core/job/records/markup';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { MoneyAt } from '../../figures/Figure.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { MoreButton } from '../../parts/MoreButton.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { BASE_WORDS } from '../../messages/words.ts';
import { useOfJob, useTables } from '../../stores/jobHooks.ts';
import { useFormats, useJobActions, useJobState } from '../../stores/context.tsx';
import { describeMarkup } from './describeMarkup.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { JobActions } from '../../stores/jobStore.ts';
import { SectionOptions } from '../../figures/SectionOptions.tsx';

const AS_WORDS = {
  markup: t('estimate.ofTheBase'),
  margin: t('estimate.marginOfThePrice'),
  graded: t('estimate.gradedRates'),
  sum: t('estimate.aSumOfMoney'),
} as const;
type As = keyof typeof AS_WORDS;

/** One markup: what it is called, what it says in words, and what it comes to. */
export function MarkupBox({ markup }: { readonly markup: Markup }) {
  const actions = useJobActions();
  const settle = useSettle();
  const { numbers } = useFormats();
  const words = useOfJob(({ job }) => describeMarkup(markup, job, numbers));
  const [open, setOpen] = useState(false);
  const change = (changed: Partial<Markup>): string | undefined =>
    settle(
      t('estimate.markup2', { name: markup.name }),
      update(markup, (now) => ({ ...now, ...changed })),
    );
  const as: As = markup.as ?? 'markup';
  const setAs = (next: As): void => {
    const refused = settle(
      t('estimate.markup2', { name: markup.name }),
      update(markup, ({ as: _before, ...rest }) => {
        const grades = { grades: rest.grades ?? [{ upTo: '', percent: '1' }] };
        return next === 'markup' ? rest : { ...rest, as: next, ...(next === 'graded' ? grades : {}) };
      }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={`${layout.box} ${styles.markup}`}>
      <div className={styles.markupHead}>
        <CommitInput
          label={t('estimate.nameOfTheMarkup')}
          value={markup.name}
          onCommit={(name) => change({ name })}
        />
        <span className="right">
          <MoneyAt node={markupNode(markup.id)} />
        </span>
      </div>
      <MarkupRow
        as={as}
        markup={markup}
        numbers={numbers}
        change={change}
        open={open}
        setOpen={setOpen}
        actions={actions}
      />
      <p className={`soft ${styles.markupWords}`}>{words}</p>
      {open ? <MarkupMore markup={markup} as={as} setAs={setAs} change={change} /> : null}
    </div>
  );
}

interface MarkupMoreProps {
  readonly markup: Markup;
  readonly as: 'markup' | 'margin' | 'graded' | 'sum';
  readonly setAs: (next: As) => void;
  readonly change: (changed: Partial<Markup>) => string | undefined;
}

function MarkupMore({ markup, as, setAs, change }: MarkupMoreProps) {
  return (
    <div className={styles.markupMore}>
      <Select
        aria-label={t('estimate.howIsReckoned', { name: markup.name })}
        value={as}
        onChange={(event) => setAs(event.target.value as As)}
      >
        {(Object.keys(AS_WORDS) as As[]).map((each) => (
          <option key={each} value={each}>
            {AS_WORDS[each]}
          </option>
        ))}
      </Select>
      {as === 'graded' ? <Grades markup={markup} onChange={(grades) => change({ grades })} /> : null}
      {as === 'markup' || as === 'margin' ? (
        <Rates markup={markup} onChange={(rates) => change({ rates })} />
      ) : null}
    </div>
  );
}

interface MarkupRowProps {
  readonly as: 'markup' | 'margin' | 'graded' | 'sum';
  readonly markup: Markup;
  readonly numbers: NumberFormat;
  readonly change: (changed: Partial<Markup>) => string | undefined;
  readonly open: boolean;
  readonly setOpen: Dispatch<SetStateAction<boolean>>;
  readonly actions: JobActions;
}

function MarkupRow({ as, markup, numbers, change, open, setOpen, actions }: MarkupRowProps) {
  const { currency } = useFormats().money;
  return (
    <div className={styles.markupRow}>
      {as === 'graded' ? (
        <span className="soft" style={{ flex: 1 }}>
          {t('estimate.graded')}
        </span>
      ) : (
        <>
          <CommitInput
            label={`${markup.name}, ${as === 'sum' ? t('estimate.sum') : t('estimate.percent2')}`}
            align="end"
            style={{ width: as === 'sum' ? 76 : 46 }}
            value={plainToLocal(markup.percent, numbers)}
            onCommit={(text) =>
              takeFigure(
                text,
                numbers,
                as === 'sum' ? { as: 'amount', currency } : { as: 'percent' },
                (percent) => change({ percent }),
              )
            }
          />
          <span className="unit">{as === 'sum' ? '' : '%'}</span>
        </>
      )}
      <Select
        aria-label={t('estimate.baseOf', { name: markup.name })}
        value={markup.base}
        onChange={(event) => change({ base: event.target.value as Markup['base'] })}
      >
        {MARKUP_BASES.map((base) => (
          <option key={base} value={base}>
            {BASE_WORDS[base]}
          </option>
        ))}
      </Select>
      <MoreButton
        label={t('estimate.moreOn', { name: markup.name })}
        open={open}
        onToggle={() => setOpen(!open)}
      />
      <IconAction
        label={t('estimate.remove', { name: markup.name })}
        icon={Trash2}
        onClick={() => {
          const done = actions.transact(t('estimate.remove2', { name: markup.name }), remove(markup.id));
          if (!done.ok) tellProblem(t('estimate.itCouldNotBeRemoved'));
        }}
      />
    </div>
  );
}

interface GradesProps {
  readonly markup: Markup;
  readonly onChange: (grades: readonly Grade[]) => string | undefined;
}

/** Each part of the base at its own rate. */
function Grades({ markup, onChange }: GradesProps) {
  const { numbers, money } = useFormats();
  const grades = markup.grades ?? [];
  const change = (at: number, changed: Partial<Grade>): string | undefined =>
    onChange(grades.map((grade, index) => (index === at ? { ...grade, ...changed } : grade)));
  return (
    <>
      {grades.map((grade, at) => (
        <div key={at} className={styles.markupRow}>
          <span className="soft">{t('estimate.to2')}</span>
          <CommitInput
            label={t('estimate.partOfUpTo', { place: at + 1, name: markup.name })}
            align="end"
            placeholder={t('estimate.aboveThat')}
            value={plainToLocal(grade.upTo, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'amount', currency: money.currency }, (kept) =>
                change(at, { upTo: kept }),
              )
            }
          />
          <CommitInput
            label={t('estimate.partOfPercent', { place: at + 1, name: markup.name })}
            align="end"
            style={{ width: 52 }}
            value={plainToLocal(grade.percent, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'percent' }, (kept) => change(at, { percent: kept }))
            }
          />
          <span className="unit">%</span>
          <IconAction
            label={t('estimate.removePartOf', { place: at + 1, name: markup.name })}
            icon={Trash2}
            onClick={() => onChange(grades.filter((_, index) => index !== at))}
          />
        </div>
      ))}
      <TextButton onClick={() => onChange([...grades, { upTo: '', percent: '1' }])}>
        {t('estimate.addAPart')}
      </TextButton>
    </>
  );
}

interface RatesProps {
  readonly markup: Markup;
  readonly onChange: (rates: NonNullable<Markup['rates']>) => string | undefined;
}

/** Other rates for sections and lines. */
function Rates({ markup, onChange }: RatesProps) {
  const job = useTables('section', 'line');
  const { numbers } = useFormats();
  const selection = useJobState((state) => state.selection);
  const rates = markup.rates ?? [];
  const nameOf = (on: string): string =>
    job.section.get(on as Id<'section'>)?.name ??
    job.line.get(on as Id<'line'>)?.description ??
    t('estimate.aLine');
  const line = selection?.type === 'line' ? selection.key : undefined;
  return (
    <>
      {rates.map(({ on, percent }) => (
        <div key={on} className={styles.markupRow}>
          <span className="cut" style={{ flex: 1 }} title={nameOf(on)}>
            {nameOf(on)}
          </span>
          <CommitInput
            label={t('estimate.onPercent', { name: markup.name, on: nameOf(on) })}
            align="end"
            style={{ width: 52 }}
            value={plainToLocal(percent, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'percent' }, (kept) =>
                onChange(rates.map((rate) => (rate.on === on ? { on, percent: kept } : rate))),
              )
            }
          />
          <span className="unit">%</span>
          <IconAction
            label={t('estimate.useTheUsualRateFor', { on: nameOf(on) })}
            icon={Trash2}
            onClick={() => onChange(rates.filter((rate) => rate.on !== on))}
          />
        </div>
      ))}
      <Select
        aria-label={t('estimate.anotherRateFor', { name: markup.name })}
        value=""
        onChange={(event) => {
          const on = event.target.value;
          if (on !== '') onChange([...rates, { on, percent: markup.percent }]);
        }}
      >
        <option value="">{t('estimate.anotherRateFor2')}</option>
        {line !== undefined && !rates.some(({ on }) => on === line) ? (
          <option value={line}>{t('estimate.theSelectedLine')}</option>
        ) : null}
        <SectionOptions
          sections={[...job.section.values()].filter(({ id }) => !rates.some(({ on }) => on === id))}
        />
      </Select>
    </>
  );
}
