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
  /** A company is set up rather than a job started: it has no client, and begins with what ships. */
  readonly forCompany?: boolean;
  /** What the company keeps, where it is set up. */
  readonly company: JobSummary | undefined;
  readonly templates: readonly JobSummary[];
  /** The template, or the company, it begins with; undefined for what ships. */
  readonly template: JobSummary | undefined;
  readonly onClose: () => void;
  /** What is wrong, in words, or undefined once the job is open. */
  readonly onCreate: (asked: NewJob, template: JobSummary | undefined) => Promise<string | undefined>;
}

export function NewJobDialog(props: NewJobDialogProps) {
  const { forCompany = false, company, templates, template, onClose, onCreate } = props;
  const [from, setFrom] = useState(template ?? company);
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
      title={forCompany ? t('jobs.setUpTheCompany') : t('jobs.newJob')}
      onClose={onClose}
      footer={<NewJobButtons forCompany={forCompany} onClose={onClose} formState={formState} />}
    >
      <form id="new-job" className={layout.form} onSubmit={(event) => void submit(event)}>
        {forCompany ? <p className="soft">{t('jobs.whatTheCompanyKeeps')}</p> : null}
        <Labeled label={forCompany ? t('settings.companyName') : t('jobs.name')} error={nameError}>
          {(control) => <TextInput {...control} autoFocus {...register('name')} />}
        </Labeled>
        {forCompany ? null : (
          <Labeled label={t('jobs.client')}>
            {(control) => <TextInput {...control} {...register('client')} />}
          </Labeled>
        )}
        {forCompany || (templates.length === 0 && company === undefined) ? null : (
          <StartFrom from={from} setFrom={setFrom} templates={templates} company={company} />
        )}
        {from === undefined ? <FreshStart form={form} register={register} setValue={setValue} /> : null}
      </form>
    </Modal>
  );
}

interface FreshStartProps extends FirstPricesProps {
  readonly setValue: UseFormSetValue<Fields>;
}

/** What a template or the company would say; all of it can be changed later. */
const FreshStart = ({ form, register, setValue }: FreshStartProps) => (
  <>
    <UnitsAndCurrency register={register} setValue={setValue} />
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
    <FirstPrices form={form} register={register} />
  </>
);

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
  readonly register: UseFormRegister<Fields>;
  readonly setValue: UseFormSetValue<Fields>;
}

function UnitsAndCurrency({ register, setValue }: UnitsAndCurrencyProps) {
  return (
    <div className={layout.formTwo}>
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
    </div>
  );
}

interface StartFromProps {
  readonly from: JobSummary | undefined;
  readonly setFrom: Dispatch<SetStateAction<JobSummary | undefined>>;
  readonly templates: readonly JobSummary[];
  readonly company: JobSummary | undefined;
}

function StartFrom({ from, setFrom, templates, company }: StartFromProps) {
  const all = company === undefined ? templates : [company, ...templates];
  const hint =
    from === undefined
      ? ''
      : from === company
        ? t('jobs.theJobTakesACopy')
        : t('jobs.aTemplateIncludesSectionsScopes');
  return (
    <Labeled label={t('jobs.startFrom')} hint={hint}>
      {(control) => (
        <Select
          {...control}
          value={from?.id ?? ''}
          onChange={(event) => setFrom(all.find(({ id }) => id === event.target.value))}
        >
          {company === undefined ? null : (
            <option value={company.id}>{t('jobs.yourCompany', { name: company.name })}</option>
          )}
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
  readonly forCompany: boolean;
  readonly onClose: () => void;
  readonly formState: FormState<Fields>;
}

function NewJobButtons({ forCompany, onClose, formState }: NewJobButtonsProps) {
  return (
    <>
      <Button size="sm" variant="outline" onClick={onClose}>
        {t('jobs.cancel')}
      </Button>
      <Button size="sm" type="submit" form="new-job" disabled={formState.isSubmitting}>
        {forCompany ? t('jobs.setItUp') : t('jobs.createTheJob')}
      </Button>
    </>
  );
}
