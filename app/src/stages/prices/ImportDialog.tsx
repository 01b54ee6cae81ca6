import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { LIMITS } from '@zest/core/formats/limits';
import {
  DUPLICATE_POLICIES,
  type DuplicatePolicy,
  type PricePlan,
  planPrices,
} from '@zest/core/formats/prices/plan';
import type { ReadPrices, RefusedRow } from '@zest/core/formats/prices/read';
import { put } from '@zest/core/job/change';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { tell } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeRowFault } from '../../messages/describePrices.ts';
import { t } from '../../messages/t.ts';
import { Select } from '../../parts/fields.tsx';
import { DropInput } from '../../parts/FileInput.tsx';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { layout } from '../../theme/layout.ts';
import { EffectOnBid } from './EffectOnBid.tsx';
import { FileColumns } from './FileColumns.tsx';
import { type PriceFile, usePriceFile } from './usePriceFile.ts';
import { Refusal } from '../../parts/Refusal.tsx';

const POLICY_WORDS: Readonly<Record<DuplicatePolicy, string>> = {
  update: t('prices.replaceEverythingWithWhatTheFileSays'),
  prices: t('prices.replacePricesAndHoursOnly'),
  keep: t('prices.keepThemAsTheyAre'),
};

/** A price list from a file: its columns are named, its rows looked at, and only then taken over. */
export function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const file = usePriceFile();
  const [policy, setPolicy] = useState<DuplicatePolicy>('update');
  const { read, opened, setError } = file;
  const plan = useMemo(
    () => (read === undefined ? undefined : planPrices(read, job, policy, services.makeId)),
    [read, job, policy, services],
  );
  const changed = plan === undefined ? 0 : plan.added.length + plan.updated.length;
  const take = (): void => {
    if (plan === undefined) return;
    if (changed > LIMITS.prices.items)
      return setError(t('prices.moreThanABookHolds', { changed, limit: LIMITS.prices.items }));
    const refused = settle(
      t('prices.importPricesFrom', { name: opened?.name ?? t('prices.aFile') }),
      put(...plan.added, ...plan.updated.map(([, to]) => to)),
    );
    if (refused !== undefined) return setError(refused);
    const items = t('count.item', { count: plan.added.length });
    tell(t('prices.addedUpdatedUndoReversesAllOfIt', { items, number: plan.updated.length }));
    onClose();
  };
  const words =
    changed === 0 ? t('prices.import') : t('prices.import2', { items: t('count.item', { count: changed }) });
  return (
    <Modal
      title={t('prices.importPrices')}
      size="xl"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} disabled={changed === 0} onDone={take}>
          {words}
        </DialogButtons>
      }
    >
      <div className={layout.form}>
        <Opening file={file} />
        {opened === undefined ? null : (
          <>
            <FileColumns file={file} opened={opened} />
            <PolicyChoice policy={policy} onChoose={setPolicy} />
            {file.columns.mapping.code === undefined ? (
              <Refusal>{t('prices.chooseTheColumnWithTheCodeIt')}</Refusal>
            ) : null}
            {read === undefined || plan === undefined ? null : <WhatItDoes read={read} plan={plan} />}
          </>
        )}
      </div>
    </Modal>
  );
}

/** Where the file is dropped, how far it is read, and why it was not. */
function Opening({ file: { opened, open, stop, progress, error } }: { readonly file: PriceFile }) {
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    noKeyboard: true,
    onDrop: (files) => void open(files[0]),
  });
  return (
    <>
      {opened === undefined ? (
        <div {...getRootProps({ className: isDragActive ? `${layout.drop} over` : layout.drop })}>
          <DropInput {...getInputProps({ 'aria-label': t('prices.priceList') })} target="prices" />
          {progress === undefined ? (
            <>
              <p>{t('prices.dropAPriceListHereCsvOr')}</p>
              <Button size="sm" variant="outline">
                {t('prices.chooseAFile')}
              </Button>
            </>
          ) : (
            <p role="status">{progress}…</p>
          )}
        </div>
      ) : null}
      {progress === undefined ? null : (
        <Button size="xs" variant="outline" alignSelf="start" onClick={stop}>
          {t('prices.stopReading')}
        </Button>
      )}
      <Refusal>{error}</Refusal>
    </>
  );
}

interface PolicyChoiceProps {
  readonly policy: DuplicatePolicy;
  readonly onChoose: (policy: DuplicatePolicy) => void;
}

const PolicyChoice = ({ policy, onChoose }: PolicyChoiceProps) => (
  <label>
    <span className="soft">{t('prices.itemsWhoseCodeIsAlreadyInThe')}</span>{' '}
    <Select
      style={{ width: 'auto' }}
      value={policy}
      onChange={(event) => onChoose(event.target.value as DuplicatePolicy)}
    >
      {DUPLICATE_POLICIES.map((each) => (
        <option key={each} value={each}>
          {POLICY_WORDS[each]}
        </option>
      ))}
    </Select>
  </label>
);

/** What would be taken over, what was refused, and what it does to the bid. */
const WhatItDoes = ({ read, plan }: { readonly read: ReadPrices; readonly plan: PricePlan }) => (
  <>
    <p role="status" style={{ margin: 0 }}>
      {t('count.newItem', { count: plan.added.length })}, {plan.updated.length} {t('prices.toUpdate')}{' '}
      {plan.kept} {t('prices.unchanged')}{' '}
      <span className={read.refused.length > 0 ? 'warn' : ''}>
        {t('prices.refused', { rows: t('count.row', { count: read.refused.length }) })}
      </span>
      .
    </p>
    <Refused rows={read.refused} />
    <EffectOnBid changes={plan.updated} added={plan.added} />
  </>
);

/** Rows that were kept out, each with its number and why. */
function Refused({ rows }: { readonly rows: readonly RefusedRow[] }) {
  if (rows.length === 0) return null;
  return (
    <ul className={layout.importNotes} aria-label={t('prices.rowsThatWereRefused')}>
      {rows.slice(0, 200).map(({ row, fault }) => (
        <li key={row}>{t('prices.row', { row, fault: describeRowFault(fault) })}</li>
      ))}
      {rows.length > 200 ? <li>{t('prices.andMore', { number: rows.length - 200 })}</li> : null}
    </ul>
  );
}
