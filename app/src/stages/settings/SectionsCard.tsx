import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { put, remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { Section } from '@zest/core/job/records/section';
import { t } from '../../messages/t.ts';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { DragList } from '../../parts/DragList.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { styles } from './styles.ts';

/** The sections a job begins with, with their codes, in their order. */
export function SectionsCard() {
  const table = useTable('section');
  const settle = useSettle();
  const { makeId } = useServices();
  const sections = inOrder(table.values()).filter(({ parentId }) => parentId === null);
  const tell = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  const order = (ids: readonly string[]): void =>
    tell(
      settle(
        t('settings.orderOfSections'),
        put(
          ...ids.flatMap((id, at) => {
            const section = table.get(id as Id<'section'>);
            return section === undefined ? [] : [{ ...section, order: at + 1 }];
          }),
        ),
      ),
    );
  const add = (): void =>
    tell(
      settle(
        t('settings.addASection'),
        put({
          type: 'section',
          id: makeId('section'),
          code: '',
          name: t('settings.newSection'),
          parentId: null,
          order: orderAfter(table.values()),
        }),
      ),
    );
  return (
    <section className={styles.card} aria-label={t('settings.sections')}>
      <h2>{t('settings.sections')}</h2>
      <div>
        <DragList
          ids={sections.map(({ id }) => id)}
          nameOf={(id) => table.get(id as Id<'section'>)?.name ?? ''}
          onOrder={order}
        >
          {(id) => {
            const section = table.get(id as Id<'section'>);
            return section === undefined ? null : <SectionRow section={section} />;
          }}
        </DragList>
      </div>
      <Button size="xs" variant="outline" justifySelf="start" onClick={add}>
        {t('settings.addSection')}
      </Button>
    </section>
  );
}

function SectionRow({ section }: { readonly section: Section }) {
  const { name, code } = section;
  const settle = useSettle();
  const change = (changed: { readonly code?: string; readonly name?: string }): string | undefined =>
    settle(
      t('settings.changeASection'),
      update(section, (now) => ({ ...now, ...changed })),
    );
  const removeIt = (): void => {
    const refused = settle(t('settings.removeSection', { name }), remove(section.id));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={styles.sectionRow}>
      <CommitInput
        label={t('settings.codeOfSection', { name })}
        value={code}
        onCommit={(text) => change({ code: text.trim() })}
      />
      <CommitInput
        label={t('settings.nameOfSection', { name })}
        value={name}
        onCommit={(text) => change({ name: text.trim() })}
      />
      <IconAction label={t('settings.removeSection', { name })} icon={Trash2} onClick={removeIt} />
    </div>
  );
}
