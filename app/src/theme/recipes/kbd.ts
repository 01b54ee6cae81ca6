import { defineRecipe } from '@chakra-ui/react';

export const kbd = defineRecipe({
  className: 'key',
  base: {
    fontFamily: 'body',
    fontWeight: 500,
    wordSpacing: 'normal',
    borderRadius: '3px',
    whiteSpace: 'nowrap',
    // In a grid of keys it is as wide as its word.
    justifySelf: 'start',
  },
  variants: {
    variant: {
      outline: {
        boxShadow: 'none',
        border: '1px solid',
        borderColor: 'border',
        bg: 'bg.panel',
        color: 'fg.muted',
      },
    },
    size: { sm: { fontSize: '11px', height: 'auto', minHeight: 0, lineHeight: '16px', padding: '0 4px' } },
  },
  defaultVariants: { variant: 'outline', size: 'sm' },
});
