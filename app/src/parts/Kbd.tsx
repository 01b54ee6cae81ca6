import { Kbd as ChakraKbd } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** A key to press. */
export const Kbd = ({ children }: { readonly children: ReactNode }) => <ChakraKbd>{children}</ChakraKbd>;
