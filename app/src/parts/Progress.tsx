import { Progress as ChakraProgress } from '@chakra-ui/react';

interface ProgressProps {
  readonly label: string;
  readonly done: number;
  readonly total: number;
}

/** How far long work has come. */
export const Progress = ({ label, done, total }: ProgressProps) => (
  <ChakraProgress.Root size="sm" colorPalette="rind" value={Math.min(done, total)} max={Math.max(1, total)}>
    <ChakraProgress.Track aria-label={label}>
      <ChakraProgress.Range />
    </ChakraProgress.Track>
  </ChakraProgress.Root>
);
