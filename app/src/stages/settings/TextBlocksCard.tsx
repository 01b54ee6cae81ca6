import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { put, remove, update } from '@zest/core/job/change';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { TEXT_PLACES, type TextBlock } from '@zest/core/job/records/textBlock';
import { t } from '../../messages/t.ts';
import { CommitArea } from '../../parts/CommitArea.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { Select } from '../../parts/fields.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { styles } from './styles.ts';

const PLACE_WORDS: Readonly<Record<TextBlock['for'], string>> = {
  inclusions: t('settings.underIncluded'),
  exclusions: t('settings.underNotIncluded'),
  text: t('settings.inTexts'),
  terms: t('settings.inTerms'),
};

/** Texts that are written once and offered on every bid. */
export function TextBlocksCard() {
  const blocks = inOrder(useTable('textBlock').values());
  const settle = useSettle();
  const { makeId } = useServices();
  const add = (): void => {
    const refused = settle(
      t('settings.addAText'),
      put({
        type: 'textBlock',
        id: makeId('textBlock'),
        name: t('settings.newText'),
        for: 'exclusions',
        text: '',
        order: orderAfter(blocks),
      }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <section className={styles.card} aria-label={t('settings.texts')}>
      <h2>{t('settings.texts')}</h2>
      <p className="soft">{t('settings.textsAreOfferedOnTheBid')}</p>
      {blocks.map((block) => (
        <Block key={block.id} block={block} />
      ))}
      <Button size="xs" variant="outline" justifySelf="start" onClick={add}>
        {t('settings.addText')}
      </Button>
    </section>
  );
}

function Block({ block }: { readonly block: TextBlock }) {
  const { name } = block;
  const settle = useSettle();
  const change = (changed: Partial<TextBlock>): string | undefined =>
    settle(
      t('settings.changeAText', { name }),
      update(block, (now) => ({ ...now, ...changed })),
    );
  return (
    <div className={styles.block}>
      <div className={styles.blockHead}>
        <CommitInput
          label={t('settings.nameOfText')}
          value={name}
          onCommit={(text) => change({ name: text.trim() })}
        />
        <Select
          aria-label={t('settings.whereTextIsOffered', { name })}
          value={block.for}
          onChange={({ target }) => {
            const place = TEXT_PLACES.find((each) => each === target.value);
            if (place !== undefined) change({ for: place });
          }}
        >
          {TEXT_PLACES.map((place) => (
            <option key={place} value={place}>
              {PLACE_WORDS[place]}
            </option>
          ))}
        </Select>
        <IconAction
          label={t('settings.removeText', { name })}
          icon={Trash2}
          onClick={() => void settle(t('settings.removeText', { name }), remove(block.id))}
        />
      </div>
      <CommitArea
        label={t('settings.wordsOfText', { name })}
        value={block.text}
        onCommit={(text) => change({ text })}
      />
    </div>
  );
}
