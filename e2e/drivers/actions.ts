import type { Locator, Page } from '@playwright/test';
import type { Desk } from './zest.ts';
import type { Place } from '@zest/demo/boathouse/building';

/** Does what a person does with hand and keys, and counts it: a click, a key, a text that is typed. */
export interface Hands {
  readonly count: () => number;
  readonly click: (target: Locator) => Promise<void>;
  readonly key: (key: string) => Promise<void>;
  readonly type: (target: Locator, text: string) => Promise<void>;
  readonly choose: (target: Locator, option: string | { readonly label: string }) => Promise<void>;
  readonly file: (target: Locator, file: Parameters<Locator['setInputFiles']>[0]) => Promise<void>;
  readonly point: (desk: Desk, place: Place) => Promise<void>;
  readonly box: (desk: Desk, from: Place, to: Place) => Promise<void>;
}

export function createHands(page: Page): Hands {
  let done = 0;
  const counted =
    <Args extends readonly unknown[]>(act: (...args: Args) => Promise<unknown>) =>
    async (...args: Args): Promise<void> => {
      done += 1;
      await act(...args);
    };
  return {
    count: () => done,
    click: counted((target: Locator) => target.click()),
    key: counted((key: string) => page.keyboard.press(key)),
    type: counted((target: Locator, text: string) => target.fill(text)),
    choose: counted((target: Locator, option: string | { readonly label: string }) =>
      target.selectOption(option),
    ),
    file: counted((target: Locator, file: Parameters<Locator['setInputFiles']>[0]) =>
      target.setInputFiles(file),
    ),
    point: counted((desk: Desk, place: Place) => desk.click(place)),
    box: counted(async (desk: Desk, [x0, y0]: Place, [x1, y1]: Place) => {
      await desk.move([x0, y0]);
      await page.mouse.down();
      await desk.move([(x0 + x1) / 2, (y0 + y1) / 2]);
      await desk.move([x1, y1]);
      await page.mouse.up();
    }),
  };
}
