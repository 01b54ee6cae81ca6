import { SegmentGroup } from '@chakra-ui/react';

interface SegmentsProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly (readonly [value: Value, name: string])[];
  readonly onChoose: (value: Value) => void;
}

/** One of a few, all in sight; arrow keys go from one to the next. */
export const Segments = <Value extends string>({ label, value, options, onChoose }: SegmentsProps<Value>) => (
  <SegmentGroup.Root
    size="sm"
    aria-label={label}
    value={value}
    onValueChange={({ value: chosen }) => {
      const option = options.find(([each]) => each === chosen);
      if (option !== undefined) onChoose(option[0]);
    }}
  >
    <SegmentGroup.Indicator />
    {options.map(([each, name]) => (
      <SegmentGroup.Item key={each} value={each}>
        <SegmentGroup.ItemText>{name}</SegmentGroup.ItemText>
        <SegmentGroup.ItemHiddenInput />
      </SegmentGroup.Item>
    ))}
  </SegmentGroup.Root>
);
