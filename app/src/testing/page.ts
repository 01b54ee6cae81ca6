import { ChakraProvider } from '@chakra-ui/react';
import { type ReactNode, act, createElement } from 'react';
import { type Root, createRoot } from 'react-dom/client';
import { system } from '../theme/system.ts';

/** A page of jsdom with one thing on it, worked as a person would. */
export interface TestPage {
  readonly host: HTMLElement;
  readonly show: (content: ReactNode) => Promise<void>;
  /** The first that fits; throws where there is none. */
  readonly find: (selector: string) => HTMLElement;
  readonly field: () => HTMLInputElement;
  readonly texts: (selector: string) => readonly string[];
  readonly press: (key: string, on?: HTMLElement, held?: KeyboardEventInit) => Promise<void>;
  readonly mouse: (type: string, on: HTMLElement, held?: MouseEventInit) => Promise<void>;
  readonly type: (text: string, into?: HTMLInputElement) => Promise<void>;
  readonly focus: (on?: HTMLElement) => Promise<void>;
  readonly leave: (on?: HTMLElement) => Promise<void>;
  readonly end: () => Promise<void>;
}

export function openTestPage(): TestPage {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  // jsdom lays nothing out, and has nowhere to scroll to.
  Element.prototype.scrollIntoView ??= () => undefined;
  const host = document.body.appendChild(document.createElement('div'));
  const root: Root = createRoot(host);
  const find = (selector: string): HTMLElement => {
    const found = host.querySelector<HTMLElement>(selector);
    if (found === null) throw new Error(`nothing is ${selector}`);
    return found;
  };
  const field = (): HTMLInputElement => find('input') as HTMLInputElement;
  const done = (edit: () => void): Promise<void> => act(async () => edit());
  return {
    host,
    find,
    field,
    show: (content) =>
      done(() => root.render(createElement(ChakraProvider, { value: system, children: content }))),
    texts: (selector) => [...host.querySelectorAll(selector)].map(({ textContent }) => textContent ?? ''),
    press: (key, on = field(), held = {}) =>
      done(() =>
        on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...held })),
      ),
    mouse: (type, on, held = {}) =>
      done(() => on.dispatchEvent(new MouseEvent(type, { bubbles: true, cancelable: true, ...held }))),
    type: (text, into = field()) =>
      done(() => {
        // As a browser does it: through the element, not React's own bookkeeping of it.
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(into, text);
        into.setSelectionRange(text.length, text.length);
        into.dispatchEvent(new Event('input', { bubbles: true }));
      }),
    focus: (on = field()) => done(() => on.focus()),
    leave: (on = field()) => done(() => on.blur()),
    end: async () => {
      await done(() => root.unmount());
      host.remove();
    },
  };
}
