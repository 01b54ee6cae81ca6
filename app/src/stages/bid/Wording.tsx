import { useState } from 'react';
import { update } from '@zest/core/job/change';
import { inOrder } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import type { TextBlock } from '@zest/core/job/records/textBlock';
import { DocumentLanguage } from '../../figures/DocumentLanguage.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Select, TextArea } from '../../parts/fields.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** What every document of the job says: who, where, when, and what is included. */
export function Wording({ settings }: { readonly settings: Settings }) {
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
    <div className={styles.fields} role="group" aria-label={t('bid.wordingOfTheBid2')}>
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
      <DocumentLanguage settings={settings} set={set} />
    </div>
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

/** A text with another below it. */
export const joined = (before: string, text: string): string =>
  before.trim() === '' ? text : `${before.trimEnd()}\n${text}`;

interface TextChoiceProps {
  readonly of: TextBlock['for'];
  readonly label: string;
  readonly onText: (text: string) => void;
}

/** Texts the company keeps for this place, each added by choosing it; nothing where it keeps none. */
export function TextChoice({ of, label, onText }: TextChoiceProps) {
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

/** Several lines, taken on leaving the field. */
export function LongText({
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
