import { useState } from 'react';
import { settingsOf } from '@zest/core/job/job';
import { type TemplateChoices, USUAL_TEMPLATE } from '@zest/core/library/template';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { LabeledText } from '../../parts/LabeledText.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { tell } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { saveTemplate } from '../../storage/templates.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

const WORDS: Readonly<Record<keyof TemplateChoices, string>> = {
  prices: t('estimate.pricesAndTypedCosts'),
  quantities: t('estimate.typedQuantities'),
  quotes: t('estimate.quotesAndWhichWereChosen'),
  alternates: t('estimate.alternatesNoneAccepted'),
  client: t('estimate.theClientAndLocation'),
};

/** A job kept to start others from: what must come out, with nothing measured in it. */
export function TemplateDialog({ onClose }: { readonly onClose: () => void }) {
  const { job } = useOpenJob();
  const services = useServices();
  const [name, setName] = useState(settingsOf(job).name);
  const [folder, setFolder] = useState('');
  const [choices, setChoices] = useState(USUAL_TEMPLATE);
  const [error, setError] = useState<string | undefined>();
  const save = async (): Promise<void> => {
    const saved = await saveTemplate(services, job, { name: name.trim(), folder: folder.trim(), choices });
    if (!saved.ok) return setError(describeProblem(saved.problem));
    tell(t('estimate.isSavedAsATemplateYouCan', { name: name.trim() }));
    onClose();
  };
  return (
    <Modal
      title={t('estimate.saveAsATemplate')}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => void save()}>
          {t('estimate.saveTheTemplate')}
        </DialogButtons>
      }
    >
      <form
        className={layout.form}
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <LabeledText
          label={t('estimate.name')}
          error={error}

          value={name}
          onText={setName}
        />
        <LabeledText
          label={t('estimate.folder')}
          hint={t('estimate.timberSmallOrLeaveEmpty')}

          value={folder}
          onText={setFolder}
        />
        <fieldset className={layout.kinds}>
          <legend className="soft">{t('estimate.sectionsScopesAssembliesAndMarkupsAre')}</legend>
          {(Object.keys(WORDS) as (keyof TemplateChoices)[]).map((key) => (
            <Checkbox
              key={key}
              style={{ display: 'block' }}
              checked={choices[key]}
              onChange={() => setChoices({ ...choices, [key]: !choices[key] })}
            >
              {WORDS[key]}
            </Checkbox>
          ))}
        </fieldset>
      </form>
    </Modal>
  );
}
