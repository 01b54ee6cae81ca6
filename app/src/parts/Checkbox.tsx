import { Checkbox as Chakra } from '@chakra-ui/react';
import type { CSSProperties, ReactNode } from 'react';

interface CheckboxProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  /** What is on when it is ticked. */
  readonly children?: ReactNode;
  /** For readers, where the words stand elsewhere. */
  readonly 'aria-label'?: string;
  readonly disabled?: boolean;
  readonly className?: string;
  readonly style?: CSSProperties;
}

/** The field itself lies over the box, unseen: what is pressed there is the field. */
const OVER: CSSProperties = {
  clip: 'auto',
  clipPath: 'none',
  width: 16,
  height: 16,
  margin: 0,
  opacity: 0,
  top: '50%',
  left: 0,
  transform: 'translateY(-50%)',
  zIndex: 1,
  cursor: 'inherit',
};

export function Checkbox({
  checked,
  onChange,
  children,
  className,
  style,
  disabled = false,
  ...rest
}: CheckboxProps) {
  return (
    <Chakra.Root
      size="xs"
      checked={checked}
      disabled={disabled}
      className={className}
      style={style}
      onCheckedChange={(details) => onChange(details.checked === true)}
    >
      <Chakra.HiddenInput
        style={OVER}
        {...rest}
        // Words of its own stand before those beside it.
        {...(rest['aria-label'] === undefined ? {} : { 'aria-labelledby': '' })}
      />
      <Chakra.Control />
      {children === undefined ? null : <Chakra.Label css={{ display: 'contents' }}>{children}</Chakra.Label>}
    </Chakra.Root>
  );
}
