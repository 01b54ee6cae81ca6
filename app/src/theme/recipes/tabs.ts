import { defineSlotRecipe } from '@chakra-ui/react';
import { tabsAnatomy } from '@chakra-ui/react/anatomy';

/** A panel of several pages: the list stays, the page scrolls. */
export const tabs = defineSlotRecipe({
  slots: tabsAnatomy.keys(),
  base: {
    root: { display: 'flex', flexDirection: 'column', flex: 1, minH: 0 },
    list: { flex: 'none' },
  },
  variants: {
    variant: {
      line: {
        trigger: { color: 'fg.muted', _selected: { _horizontal: { '--indicator-color': 'colors.zest' } } },
      },
    },
    size: {
      sm: {
        root: { '--tabs-height': '34px' },
        trigger: {
          px: '2px',
          fontSize: '12px',
          fontWeight: 400,
          whiteSpace: 'nowrap',
          _selected: { fontWeight: 600 },
        },
        content: { py: '10px', px: '12px' },
      },
    },
  },
});
