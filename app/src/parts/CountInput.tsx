import { NumberInput } from '@chakra-ui/react';

interface CountInputProps {
  readonly id?: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly onCount: (count: number) => void;
}

/** A whole number in a range, typed or stepped by arrow keys. */
export const CountInput = ({ id, value, least, most, onCount }: CountInputProps) => (
  <NumberInput.Root
    size="xs"
    width="64px"
    display="inline-block"
    value={String(value)}
    min={least}
    max={most}
    onValueChange={({ valueAsNumber }) => {
      if (Number.isInteger(valueAsNumber) && valueAsNumber >= least && valueAsNumber <= most)
        onCount(valueAsNumber);
    }}
  >
    <NumberInput.Control />
    <NumberInput.Input id={id} />
  </NumberInput.Root>
);
