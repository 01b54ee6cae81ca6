/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { createTestJob } from '@zest/core/testing/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { WorkerEnded } from '../../platform/guardedWorker.ts';
import type { SheetFiles } from '../../platform/sheetFiles.ts';
import { PageTooDense } from '../../workers/operationBudget.ts';
import { type SheetState, createSheetLayer } from './sheetLayer.ts';

const { sheet } = createTestJob();
const other: Sheet = { ...sheet, id: 'sheet:other' as Sheet['id'] };
const VIEW = [
  { scale: 0.2, x: 0, y: 0 },
  { width: 800, height: 600 },
] as const;

/** A layer whose files fail with an error for one sheet, and are never done with another. */
function layerThatFails(error: unknown) {
  const states: SheetState[] = [];
  const asked: string[] = [];
  const files = {
    render: ({ id }: Sheet) => {
      asked.push(id);
      return id === sheet.id ? Promise.reject(error) : new Promise(() => undefined);
    },
  } as unknown as SheetFiles;
  const layer = createSheetLayer(document.createElement('div'), files, (state) => states.push(state));
  const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
  return { layer, states, asked, settle };
}

describe('a page that cannot be drawn', () => {
  it.each([
    [new Error('render: file:a cannot be opened'), 'damaged'],
    [new PageTooDense('too much'), 'too-dense'],
    [new WorkerEnded('too-long'), 'too-long'],
  ])('says why, and goes on saying it: %s', async (error, state) => {
    const { layer, states, asked, settle } = layerThatFails(error);
    layer.show(sheet);
    layer.look(...VIEW);
    await settle();
    layer.look(...VIEW);
    await settle();
    expect(states.at(-1)).toBe(state);
    expect(asked).toHaveLength(1);
  });

  it('says nothing of the sheet that is shown next', async () => {
    const { layer, states, settle } = layerThatFails(new Error('torn'));
    layer.show(sheet);
    layer.look(...VIEW);
    layer.show(other);
    layer.look(...VIEW);
    await settle();
    expect(states.at(-1)).toBe('drawing');
  });
});
