import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, type FieldErrors, type UseFormReturn, useForm, useWatch } from 'react-hook-form';
import * as z from 'zod';
import { put } from '@zest/core/job/change';
import { countAdjusted } from '@zest/core/calculate/adjusted';
import { isAdjustedItem } from '@zest/core/estimate/adjusted';
import { type Job, orderAfter } from '@zest/core/job/job';
import type { Adjustment } from '@zest/core/job/records/adjustment';
import { COST_KINDS } from '@zest/core/job/records/assembly';
import type { Section } from '@zest/core/job/records/section';
import { describeProblem } from '../../messages/describeProblem.ts';
import { readFigure } from '@zest/core/formula/readTyped';
import { KindChoice } from '../../parts/KindChoice.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { listWith } from '../../messages/lists.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

interface AdjustDialogProps {
  readonly keys: readonly string[];
  readonly section: Section | undefined;
  readonly onClose: () => void;
}

const WHERES = ['all', 'section', 'lines', 'group', 'tag', 'words'] as const;
type ByItems = 'group' | 'tag' | 'words';
const isByItems = (on: string): on is ByItems => on === 'group' || on === 'tag' || on === 'words';

/** What a person fills in; a percentage is written with the job's marks. */
const schemaOf = (numbers: NumberFormat) =>
  z.object({
    on: z.enum(WHERES),
    /** The group, the tag or the words, where it is on items. */
    items: z.string().trim().max(200),
    kinds: z.array(z.enum(COST_KINDS)).min(1, t('estimate.chooseAKindOfCost')),
    percent: z.string().transform((text, context) => {
      const read = readFigure(text, numbers, { as: 'percent', least: -99.99, most: 1000 });
      if (read.ok && read.value !== undefined) return read.value;
      context.addIssue({
        code: 'custom',
        message: read.ok ? t('estimate.typeAPercentage') : describeProblem(read.problem),
      });
      return z.NEVER;
    }),
    name: z.string().trim(),
  });

type Asked = z.output<ReturnType<typeof schemaOf>>;

/** A percent change by kind of cost, kept as an adjustment that comes off again. */
export function AdjustDialog({ keys, section, onClose }: AdjustDialogProps) {
  const { numbers } = useFormats();
  const adjust = useAdjust(keys, section);
  const form = useForm<z.input<ReturnType<typeof schemaOf>>, unknown, Asked>({
    resolver: zodResolver(schemaOf(numbers)),
    defaultValues: startValues(keys, section),
  });
  const submit = form.handleSubmit((asked) => {
    const message = adjust(asked);
    if (message === undefined) onClose();
    else form.setError(isByItems(asked.on) ? 'items' : 'percent', { message });
  });
  return (
    <Modal
      title={t('estimate.adjustByPercent')}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => void submit()}>
          {t('estimate.adjust')}
        </DialogButtons>
      }
    >
      <form className={layout.form} onSubmit={(event) => void submit(event)}>
        <div className={layout.formTwo}>
          <Labeled
            label={t('estimate.percent')}
            error={errorOf(form.formState.errors)}
            hint={t('estimate.useMinusForADiscount')}
          >
            {(field) => <TextInput {...field} align="end" autoFocus {...form.register('percent')} />}
          </Labeled>
          <Labeled label={t('estimate.on')}>
            {(field) => (
              <Select {...field} {...form.register('on')}>
                <WhereOptions keys={keys} section={section} />
              </Select>
            )}
          </Labeled>
        </div>
        <ItemsField form={form} />
        <KindsField form={form} />
        <Labeled label={t('estimate.why')} hint={t('estimate.shownOnTheLinesItChanges')}>
          {(field) => (
            <TextInput {...field} placeholder={t('estimate.steelIsUp')} {...form.register('name')} />
          )}
        </Labeled>
      </form>
    </Modal>
  );
}

type AdjustForm = UseFormReturn<z.input<ReturnType<typeof schemaOf>>, unknown, Asked>;

const KindsField = ({ form }: { readonly form: AdjustForm }) => (
  <Controller
    name="kinds"
    control={form.control}
    render={({ field }) => (
      <KindChoice
        legend={t('estimate.kindsOfCost')}
        kinds={COST_KINDS}
        chosen={field.value}
        onChoose={(kinds) => field.onChange([...kinds])}
      />
    )}
  />
);

const BY_ITEMS = {
  group: t('estimate.groupOfItems'),
  tag: t('estimate.tagOfItems'),
  words: t('estimate.wordsOfItems'),
} as const;

/** Which items it is on, where it is on items, and how many lines that is now. */
function ItemsField({ form }: { readonly form: AdjustForm }) {
  const { job, figures } = useOpenJob();
  const [on, items] = useWatch({ control: form.control, name: ['on', 'items'] });
  if (!isByItems(on)) return null;
  const names = on === 'words' ? [] : namesInBook(job, on);
  const lines =
    items.trim() === '' ? 0 : countAdjusted(figures, { what: 'items', by: on, text: items.trim() });
  return (
    <Labeled
      label={BY_ITEMS[on]}
      error={form.formState.errors.items?.message}
      hint={
        items.trim() === '' ? '' : t('estimate.actsOnLines', { lines: t('count.line', { count: lines }) })
      }
    >
      {(field) =>
        on === 'words' ? (
          <TextInput {...field} {...form.register('items')} />
        ) : (
          <Select {...field} {...form.register('items')}>
            <option value="">{t('estimate.chooseWhich')}</option>
            {names.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </Select>
        )
      }
    </Labeled>
  );
}

/** Groups, or tags, that the price book has. */
const namesInBook = ({ item }: Job, by: 'group' | 'tag'): readonly string[] =>
  [
    ...new Set(
      [...item.values()].flatMap(({ group, tags = '' }) =>
        by === 'group' ? [group] : tags.split(/[\s,;]+/),
      ),
    ),
  ]
    .filter((name) => name !== '')
    .sort();

const errorOf = ({ percent, kinds }: FieldErrors<z.input<ReturnType<typeof schemaOf>>>) =>
  (percent ?? kinds)?.message;

const startValues = (keys: readonly string[], section: Section | undefined) => ({
  on: usualPlace(keys, section),
  items: '',
  kinds: ['material' as const],
  percent: '',
  name: '',
});

const usualPlace = (keys: readonly string[], section: Section | undefined) =>
  section !== undefined ? ('section' as const) : keys.length > 0 ? ('lines' as const) : ('all' as const);

const WhereOptions = ({ keys, section }: Omit<AdjustDialogProps, 'onClose'>) => (
  <>
    <option value="all">{t('estimate.allLinesOfTheJob')}</option>
    {section === undefined ? null : (
      <option value="section">{t('estimate.section', { name: section.name })}</option>
    )}
    {keys.length === 0 ? null : (
      <option value="lines">{t('count.selectedLine', { count: keys.length })}</option>
    )}
    <option value="group">{t('estimate.linesOfGroup')}</option>
    <option value="tag">{t('estimate.linesWithTag')}</option>
    <option value="words">{t('estimate.linesFoundBy')}</option>
  </>
);

function whereOf(
  on: Asked['on'],
  items: string,
  keys: readonly string[],
  section: Section | undefined,
): Adjustment['on'] {
  if (isByItems(on)) return { what: 'items', by: on, text: items };
  if (on === 'section' && section !== undefined) return { what: 'section', sectionId: section.id };
  return on === 'lines' ? { what: 'lines', lines: [...keys] } : { what: 'all' };
}

/** Keeps an adjustment; gives what is wrong with it, in words. */
function useAdjust(
  keys: readonly string[],
  section: Section | undefined,
): (asked: Asked) => string | undefined {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  return ({ on, items, kinds, percent, name }) => {
    if (isByItems(on) && items === '')
      return on === 'words' ? t('estimate.typeWhichItems') : t('estimate.chooseWhich');
    const where = whereOf(on, items, keys, section);
    if (![...job.item.values()].some((item) => where.what !== 'items' || isAdjustedItem(where, item)))
      return t('estimate.noItemFoundBy', { text: items });
    const words =
      name ||
      `${listWith(
        'and',
        kinds.map((kind) => COST_WORDS[kind]),
      )} ${percent > 0 ? '+' : ''}${percent} %`;
    return settle(
      t('estimate.adjustLabel', { words }),
      put({
        type: 'adjustment',
        id: services.makeId('adjustment'),
        name: words,
        kinds,
        percent: String(percent),
        on: where,
        order: orderAfter(job.adjustment.values()),
      }),
    );
  };
}
