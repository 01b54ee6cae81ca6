import { chakra } from '@chakra-ui/react';
import * as recipes from '../theme/recipes/buttons.ts';

const BUTTON = { defaultProps: { type: 'button' } } as const;

/** Looks like what it stands in. */
export const BareButton = chakra('button', recipes.bareButton, BUTTON);
/** A step in words, in a line of text. */
export const TextButton = chakra('button', recipes.textButton, BUTTON);
/** All picture; its words are its label. */
export const IconButton = chakra('button', recipes.iconButton, BUTTON);
export const Chip = chakra('button', recipes.chip, BUTTON);
export const ListButton = chakra('button', recipes.listButton, BUTTON);
export const DockButton = chakra('button', recipes.dockButton, BUTTON);
