import type * as pdfjs from 'pdfjs-dist';
import { LIMITS } from '@zest/core/formats/limits';

/** Operations of one page; the densest drawings have some hundred thousand. */
export const OPERATION_LIMIT: number = LIMITS.pdf.operations;
const LOOK_EVERY_MS = 50;

/** A page that asks for more than can be drawn, such as forms in forms that double each time. */
export class PageTooDense extends Error {
  override readonly name = 'PageTooDense';
}

/** What pdf.js keeps of a page that it reads; it tells of no length while it reads. */
interface PageBeingRead {
  readonly _intentStates: ReadonlyMap<
    string,
    {
      readonly operatorList?: { readonly fnArray: readonly number[] };
      readonly streamReader?: { readonly cancel: (why: Error) => Promise<void> } | null;
    }
  >;
}

/** Ends the reading of a page once it has given more operations than can be drawn; rejects with PageTooDense. */
export function bounded<Value>(
  proxy: pdfjs.PDFPageProxy,
  work: Promise<Value>,
  limit = OPERATION_LIMIT,
): Promise<Value> {
  const { _intentStates: states } = proxy as unknown as PageBeingRead;
  return new Promise((resolve, reject) => {
    const timer = setInterval(() => {
      for (const { operatorList, streamReader } of states.values()) {
        if ((operatorList?.fnArray.length ?? 0) <= limit) continue;
        const tooDense = new PageTooDense(`PageTooDense: more than ${limit} operations`);
        clearInterval(timer);
        reject(tooDense);
        streamReader?.cancel(tooDense).catch(() => undefined);
        return;
      }
    }, LOOK_EVERY_MS);
    work.finally(() => clearInterval(timer)).then(resolve, reject);
  });
}
