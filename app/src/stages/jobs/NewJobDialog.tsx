import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { zodResolver } from '@hookform/resolvers/zod';
import * as z from 'zod';
import {
  type Control,
  type FormState,
  type UseFormRegister,
  type UseFormSetValue,
  useForm,
  useWatch,
} from 'react-hook-form';
import { hasSamples } from '@zest/core/library/samples';
import { CURRENCIES, NUMBER_STYLES, NUMBER_STYLE_NAMES } from '../../platform/numberStyles.ts';
import type { NewJob } from '@zest/core/library/startJob';
import type { JobSummary } from '../../storage/database.ts';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

const schema = z.object({
  name: z.string().trim().min(1, t('jobs.theJobNeedsAName')),
  client: z.string().trim().max(200),
  unitSystem: z.enum(['us', 'metric']),
  currency: z.enum(CURRENCIES),
  numbers: z.enum(NUMBER_STYLE_NAMES),
  prices: z.enum(['samples', 'none']),
});

type Fields = z.output<typeof schema>;

interface NewJobDialogProps {
  readonly templates: readonly JobSummary[];
  /** The template it begins with; undefined for what ships. */
  readonly template: JobSummary | undefined;
  readonly onClose: () => void;
  /** What is wrong, in words, or undefined once the job is open. */
  readonly onCreate: (asked: NewJob, template: JobSummary | undefined) => Promise<string | undefined>;
}

export function NewJobDialog({ templates, template, onClose, onCreate }: NewJobDialogProps) {
  const [from, setFrom] = useState(template);
  const [refusal, setRefusal] = useState<string | undefined>();
  const {
    register,
    handleSubmit,
    setValue,
    formState,
    control: form,
  } = useForm<Fields>({
    resolver: zodResolver(schema),
    defaultValues: {
      name: '',
      client: '',
      unitSystem: 'us',
      currency: 'USD',
      numbers: 'point',
      prices: 'samples',
    },
  });
  const submit = handleSubmit(async ({ numbers, ...asked }) => {
    const { decimalMark, groupMark } = NUMBER_STYLES[numbers];
    setRefusal(await onCreate({ ...asked, decimalMark, groupMark }, from));
  });
  const nameError = refusal ?? formState.errors.name?.message;
  return (
    <Modal
      title={t('jobs.newJob')}
      onClose={onClose}
      footer={<NewJobButtons onClose={onClose} formState={formState} />}
    >
      <form id="new-job" className={layout.form} onSubmit={(event) => void submit(event)}>
        <Labeled label={t('jobs.name')} error={nameError}>
          {(control) => <TextInput {...control} autoFocus {...register('name')} />}
        </Labeled>
        <Labeled label={t('jobs.client')}>
          {(control) => <TextInput {...control} {...register('client')} />}
        </Labeled>
        {templates.length === 0 ? null : <StartFrom from={from} setFrom={setFrom} templates={templates} />}
        <UnitsAndCurrency from={from} register={register} setValue={setValue} />
        <Labeled label={t('jobs.numbersAreWritten')}>
          {(control) => (
            <Select {...control} {...register('numbers')}>
              {NUMBER_STYLE_NAMES.map((value) => (
                <option key={value} value={value}>
                  {NUMBER_STYLES[value].label}
                </option>
              ))}
            </Select>
          )}
        </Labeled>
        {from === undefined ? <FirstPrices form={form} register={register} /> : null}
      </form>
    </Modal>
  );
}

interface FirstPricesProps {
  readonly form: Control<Fields>;
  readonly register: UseFormRegister<Fields>;
}

/** Where the first prices come from: samples that say so, where there are any in the currency, or none. */
function FirstPrices({ form, register }: FirstPricesProps) {
  const [unitSystem, currency] = useWatch({ control: form, name: ['unitSystem', 'currency'] });
  const can = hasSamples({ unitSystem, currency });
  return (
    <Labeled
      label={t('jobs.firstPrices')}
      hint={can ? t('jobs.samplesAreMarked') : t('jobs.noSamplesIn', { currency })}
    >
      {(control) => (
        <Select {...control} disabled={!can} {...register('prices')}>
          {can ? <option value="samples">{t('jobs.samplesToTryWith')}</option> : null}
          <option value="none">{t('jobs.noPricesYet')}</option>
        </Select>
      )}
    </Labeled>
  );
}

interface UnitsAndCurrencyProps {
  readonly from: JobSummary | undefined;
  readonly register: UseFormRegister<Fields>;
  readonly setValue: UseFormSetValue<Fields>;
}

function UnitsAndCurrency({ from, register, setValue }: UnitsAndCurrencyProps) {
  return (
    <fieldset
      className={layout.formTwo}
      disabled={from !== undefined}
      style={{ border: 0, padding: 0, margin: 0 }}
    >
      <Labeled label={t('jobs.units')}>
        {(control) => (
          <Select
            {...control}
            {...register('unitSystem', {
              onChange: (event: { target: { value: string } }) => {
                const metric = event.target.value === 'metric';
                setValue('currency', metric ? 'EUR' : 'USD');
                setValue('numbers', metric ? 'comma' : 'point');
              },
            })}
          >
            <option value="us">{t('jobs.feetAndInches')}</option>
            <option value="metric">{t('jobs.metric')}</option>
          </Select>
        )}
      </Labeled>
      <Labeled label={t('jobs.currency')}>
        {(control) => (
          <Select {...control} {...register('currency')}>
            {CURRENCIES.map((currency) => (
              <option key={currency}>{currency}</option>
            ))}
          </Select>
        )}
      </Labeled>
    </fieldset>
  );
}

interface StartFromProps {
  readonly from: JobSummary | undefined;
  readonly setFrom: Dispatch<SetStateAction<JobSummary | undefined>>;
  readonly templates: readonly JobSummary[];
}

function StartFrom({ from, setFrom, templates }: StartFromProps) {
  return (
    <Labeled label={t('jobs.startFrom')} hint={t('jobs.aTemplateIncludesSectionsScopes')}>
      {(control) => (
        <Select
          {...control}
          value={from?.id ?? ''}
          onChange={(event) => setFrom(templates.find(({ id }) => id === event.target.value))}
        >
          <option value="">{t('jobs.zestLinesOwnPricesAndAssemblies')}</option>
          {templates.map(({ id, name, template: kept }) => (
            <option key={id} value={id}>
              {kept?.folder ? `${kept.folder}: ${name}` : name}
            </option>
          ))}
        </Select>
      )}
    </Labeled>
  );
}

interface NewJobButtonsProps {
  readonly onClose: () => void;
  readonly formState: FormState<Fields>;
}

function NewJobButtons({ onClose, formState }: NewJobButtonsProps) {
  return (
    <>
      <Button size="sm" variant="outline" onClick={onClose}>
        {t('jobs.cancel')}
      </Button>
      <Button size="sm" type="submit" form="new-job" disabled={formState.isSubmitting}>
        {t('jobs.createTheJob')}
      </Button>
    </>
  );
}
