import { Button } from '@chakra-ui/react';
import { put } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';
import { DragList } from '../../parts/DragList.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import { useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { MarkupBox } from './MarkupBox.tsx';

/** The markups in their order, each on a stated base, and a button for another. */
export function Markups() {
  const table = useTable('markup');
  const settle = useSettle();
  const { makeId } = useServices();
  const markups = inOrder(table.values());
  const change = (label: string, ...changed: readonly JobRecord[]): void => {
    const refused = settle(label, put(...changed));
    if (refused !== undefined) tellProblem(refused);
  };
  const order = (ids: readonly string[]): void =>
    change(
      t('estimate.orderOfMarkups'),
      ...ids.flatMap((id, index) => {
        const markup = table.get(id as Id<'markup'>);
        return markup === undefined ? [] : [{ ...markup, order: index + 1 }];
      }),
    );
  const add = (): void =>
    change(t('estimate.addAMarkup2'), {
      type: 'markup',
      id: makeId('markup'),
      name: t('estimate.markup'),
      percent: '0',
      base: 'running',
      order: orderAfter(markups),
    });
  return (
    <>
      <DragList
        ids={markups.map(({ id }) => id)}
        nameOf={(id) => table.get(id as Id<'markup'>)?.name ?? ''}
        onOrder={order}
      >
        {(id) => {
          const markup = table.get(id as Id<'markup'>);
          return markup === undefined ? null : <MarkupBox markup={markup} />;
        }}
      </DragList>
      <Button size="xs" variant="outline" onClick={add}>
        {t('estimate.addAMarkup')}
      </Button>
    </>
  );
}
