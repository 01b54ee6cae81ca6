import { useState } from 'react';
import { settingsOf } from '@zest/core/job/job';
import { type TemplateChoices, USUAL_TEMPLATE } from '@zest/core/library/template';
import { DialogButtons } from '../../components/DialogButtons.tsx';
import { LabeledText } from '../../components/LabeledText.tsx';
import { Modal } from '../../components/Modal.tsx';
import { tell } from '../../components/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { saveTemplate } from '../../storage/templates.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';

const WORDS: Readonly<Record<keyof TemplateChoices, string>> = {
  prices: 'Prices and typed costs',
  quantities: 'Typed quantities',
  quotes: 'Quotes and which were chosen',
  alternates: 'Alternates, none accepted',
  client: 'The client and location',
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
    tell(`‘${name.trim()}’ is saved as a template. You can start new jobs from it.`);
    onClose();
  };
  return (
    <Modal
      title="Save as a template"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => void save()}>
          Save the template
        </DialogButtons>
      }
    >
      <form
        className="form"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <LabeledText
          label="Name"
          error={error}

          value={name}
          onText={setName}
        />
        <LabeledText
          label="Folder"
          hint="Timber / Small, or leave empty"

          value={folder}
          onText={setFolder}
        />
        <fieldset className="kinds">
          <legend className="soft">
            Sections, scopes, assemblies and markups are saved; sheets and measurements are not. Also save:
          </legend>
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
