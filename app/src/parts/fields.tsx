import { Input, type InputProps, NativeSelect, Textarea, type TextareaProps } from '@chakra-ui/react';
import type { CSSProperties, ComponentPropsWithoutRef, ReactNode, RefAttributes } from 'react';
import { BARE, IN_CELL } from '../theme/recipes/fields.ts';

const LOOKS = { field: undefined, bare: BARE, cell: IN_CELL } as const;

type TextInputProps = InputProps &
  RefAttributes<HTMLInputElement> & {
    /** A field of a form, a text that is changed where it stands, or one inside a cell. */
    readonly look?: keyof typeof LOOKS;
  };

/** A line of text. Numbers and dates too, by their type. */
export const TextInput = ({ look = 'field', ...props }: TextInputProps) => (
  <Input size="xs" css={LOOKS[look]} {...props} />
);

/** Several lines of text. */
export const TextArea = (props: TextareaProps) => <Textarea size="xs" {...props} />;

type SelectProps = Omit<ComponentPropsWithoutRef<'select'>, 'size'> & {
  /** As low as the text beside it. */
  readonly small?: boolean;
  readonly style?: CSSProperties;
  /** Its options. */
  readonly children: ReactNode;
};

const SMALL = {
  w: 'auto',
  '--select-field-height': '24px',
  '& select': { fontSize: '12px', ps: '5px' },
};

/** One of a list that is known; the list is drawn by the browser. */
export function Select({
  small = false,
  style,
  className,
  disabled = false,
  children,
  ...field
}: SelectProps) {
  return (
    <NativeSelect.Root
      size="xs"
      disabled={disabled}
      style={style}
      className={className}
      css={small ? SMALL : undefined}
    >
      <NativeSelect.Field {...field}>{children}</NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
