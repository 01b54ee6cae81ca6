import { Textarea, type TextareaProps } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import type { CSSProperties, ComponentPropsWithRef, ComponentPropsWithoutRef, ReactNode } from 'react';

const LOOKS = { field: 'text-input', bare: 'text-input-bare', cell: 'text-input-cell' } as const;

interface TextInputProps extends ComponentPropsWithRef<'input'> {
  /** A field of a form, a text that is changed where it stands, or one inside a cell. */
  readonly look?: keyof typeof LOOKS;
  /** Figures stand at the end. */
  readonly align?: 'end' | undefined;
}

/** A line of text. Numbers and dates too, by their type. */
export const TextInput = ({ look = 'field', align, style, ...props }: TextInputProps) => (
  <input
    className={LOOKS[look]}
    style={align === undefined ? style : { ...style, textAlign: align }}
    {...props}
  />
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
    <div
      className={['select', small ? 'small' : '', className ?? ''].filter(Boolean).join(' ')}
      style={style}
    >
      <select disabled={disabled} {...field}>
        {children}
      </select>
      <ChevronDown size={small ? 11 : 12} aria-hidden="true" />
    </div>
  );
}
