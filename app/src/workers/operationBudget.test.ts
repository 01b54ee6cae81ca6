import { describe, expect, it } from '@jest/globals';
import type { PDFPageProxy } from 'pdfjs-dist';
import { PageTooDense, bounded } from './operationBudget.ts';

/** A page of which so many operations were read; it tells whether its reading was ended. */
function pageOf(operations: number) {
  const ended: Error[] = [];
  const state = {
    operatorList: { fnArray: Array.from({ length: operations }, () => 1) },
    streamReader: { cancel: (why: Error) => Promise.resolve(void ended.push(why)) },
  };
  return { proxy: { _intentStates: new Map([['display', state]]) } as unknown as PDFPageProxy, ended };
}

describe('a page that is read within a budget of operations', () => {
  it('is ended when it gives more than that, though it would go on', async () => {
    const { proxy, ended } = pageOf(11);
    await expect(bounded(proxy, new Promise(() => undefined), 10)).rejects.toBeInstanceOf(PageTooDense);
    expect(ended).toHaveLength(1);
  });

  it('gives what it gives, and the errors of its own', async () => {
    const { proxy, ended } = pageOf(10);
    expect(await bounded(proxy, Promise.resolve('drawn'), 10)).toBe('drawn');
    await expect(bounded(proxy, Promise.reject(new Error('torn')), 10)).rejects.toThrow('torn');
    expect(ended).toEqual([]);
  });
});
