import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react';

const of = (name: string) => ({ value: `var(--${name})` });

/** Chakra in our tokens: the same roles in both themes, from the variables of zest.css. */
export const system = createSystem(
  defaultConfig,
  defineConfig({
    theme: {
      recipes: {
        button: {
          variants: {
            size: {
              sm: { h: '30px', px: '12px', fontSize: '13px' },
              xs: { h: '25px', px: '9px', fontSize: '12.5px' },
            },
          },
        },
      },
      tokens: {
        fonts: {
          body: { value: "'IBM Plex Sans', sans-serif" },
          heading: { value: "'IBM Plex Sans', sans-serif" },
        },
      },
      semanticTokens: {
        colors: {
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
    globalCss: { html: { colorPalette: 'rind' } },
  }),
);
