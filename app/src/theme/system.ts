import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react';
import * as buttons from './recipes/buttons.ts';
import { SELECT, TEXT_INPUT, checkbox, textarea } from './recipes/fields.ts';
import { kbd } from './recipes/kbd.ts';
import { tabs } from './recipes/tabs.ts';

const of = (name: string) => ({ value: `var(--${name})` });

/** Chakra in our tokens: the same roles in both themes, from the variables of zest.css. */
export const system = createSystem(
  defaultConfig,
  defineConfig({
    theme: {
      recipes: { button: buttons.button, kbd, textarea },
      slotRecipes: { checkbox, tabs },
      tokens: {
        fonts: {
          body: { value: "'IBM Plex Sans', sans-serif" },
          heading: { value: "'IBM Plex Sans', sans-serif" },
        },
      },
      semanticTokens: {
        shadows: { float: of('float-shadow') },
        colors: {
          focus: of('zest-ink'),
          chosen: of('zest-wash'),
          zest: {
            DEFAULT: of('zest'),
            ink: of('zest-ink'),
            wash: of('zest-wash'),
            soft: of('zest-wash-soft'),
          },
          leaf: of('leaf'),
          pomelo: of('pomelo'),
          desk: of('desk'),
          link: { value: { base: 'var(--rind)', _dark: 'var(--leaf)' } },
          bg: {
            DEFAULT: of('paper'),
            subtle: of('band'),
            muted: of('band'),
            emphasized: of('pith'),
            panel: of('card'),
          },
          fg: { DEFAULT: of('ink'), muted: of('ink-soft'), subtle: of('ink-soft'), error: of('berry') },
          border: {
            DEFAULT: of('pith'),
            muted: of('pith'),
            subtle: of('pith'),
            emphasized: of('pith'),
            error: of('berry'),
          },
          rind: {
            solid: of('rind'),
            deep: of('rind-deep'),
            on: of('on-rind'),
            contrast: { value: '#ffffff' },
            fg: of('ink'),
            muted: of('pith'),
            subtle: of('band'),
            emphasized: of('pith'),
            focusRing: of('zest-ink'),
          },
          berry: {
            solid: of('berry'),
            contrast: { value: { base: '#ffffff', _dark: '#2b0010' } },
            fg: of('berry'),
            muted: of('band'),
            subtle: of('band'),
            emphasized: of('pith'),
            focusRing: of('berry'),
          },
        },
      },
    },
    globalCss: {
      html: { colorPalette: 'rind' },
      // What stands on a page a hundred times is styled once, by class.
      '.bare-button': buttons.bareButton,
      '.text-button': buttons.textButton,
      '.icon-button': buttons.iconButton,
      '.chip': buttons.chip,
      '.list-item': buttons.listButton,
      '.dock-button': buttons.dockButton,
      '.select': SELECT,
      '.text-input': TEXT_INPUT.field,
      '.text-input-bare': TEXT_INPUT.bare,
      '.text-input-cell': TEXT_INPUT.cell,
    },
  }),
);
