import type { SystemStyleObject } from '@chakra-ui/react';
import { type CSSObject, css } from '@emotion/react';
import { cache } from './cache.ts';
import { system } from './system.ts';

/**
 * Styles in Chakra's tokens, each written once under a class of its own name: `tallyRow` is `.tally-row`. A page has
 * hundreds of rows and fields, and working out a style for each of them with every key pressed would be felt; a class
 * costs nothing. They come with the module that uses them, so a page that is not open brings none.
 */
export function classes<Name extends string>(
  styles: Readonly<Record<Name, SystemStyleObject>>,
): Readonly<Record<Name, string>> {
  const names: Partial<Record<Name, string>> = {};
  for (const name of Object.keys(styles) as Name[]) {
    const className = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
    cache.insert(`.${className}`, css(system.css(styles[name]) as CSSObject), cache.sheet, true);
    names[name] = className;
  }
  return names as Record<Name, string>;
}
