/** Text and tick, and one of a few: React Aria's behaviour in our own dress. */
import type { ReactNode } from 'react';
import {
  Checkbox,
  FieldError,
  Input,
  Label as AriaLabel,
  Radio,
  RadioGroup,
  TextArea,
  TextField as AriaTextField,
} from 'react-aria-components';
import styled from 'styled-components';
import { SIZE, colour } from './tokens.ts';

export const FieldLabel = styled(AriaLabel)`
  display: block;
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
  margin-bottom: 4px;
`;

export const Entry = styled(Input)`
  width: 100%;
  min-height: 48px;
  padding: 8px 12px;
  border: 1px solid ${colour('inkSoft')};
  border-radius: 0;
  background: ${colour('sheet')};
  &[data-invalid] {
    border: 2px solid ${colour('danger')};
  }
`;

const Area = styled(TextArea)`
  width: 100%;
  min-height: 72px;
  padding: 8px 12px;
  border: 1px solid ${colour('inkSoft')};
  border-radius: 0;
  background: ${colour('sheet')};
  resize: vertical;
`;

export const Wrong = styled(FieldError)`
  display: block;
  font-size: ${SIZE.small};
  color: ${colour('danger')};
  margin-top: 4px;
`;

interface TextFieldProps {
  readonly label: string;
  /** In the request, where a form records it. */
  readonly name?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly error?: string | null | undefined;
  readonly multiline?: boolean;
  readonly type?: 'text' | 'password';
  readonly autoComplete?: string;
  readonly isDisabled?: boolean;
  /** For a question that comes up by itself: typing goes on in it. */
  readonly autoFocus?: boolean;
}

export function TextField({
  label,
  name,
  value,
  onChange,
  error,
  multiline,
  type,
  autoComplete,
  isDisabled,
  autoFocus,
}: TextFieldProps) {
  return (
    <AriaTextField
      value={value}
      onChange={onChange}
      // Said to be right, a field would not show what the server says of it.
      {...(error === null || error === undefined ? {} : { isInvalid: true })}
      validationBehavior="aria"
      type={type ?? 'text'}
      isDisabled={isDisabled ?? false}
      autoFocus={autoFocus ?? false}
      {...(autoComplete ? { autoComplete } : {})}
      {...(name ? { name } : {})}
    >
      <FieldLabel>{label}</FieldLabel>
      {multiline ? <Area /> : <Entry />}
      <Wrong>{error}</Wrong>
    </AriaTextField>
  );
}

const TickRow = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
  padding: 4px 0;
  cursor: pointer;
  &[data-disabled] {
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
  }
  svg {
    flex: none;
  }
`;

interface TickProps {
  readonly isSelected: boolean;
  readonly onChange: (selected: boolean) => void;
  readonly isDisabled?: boolean;
  readonly children: ReactNode;
}

/** A check that was really made. */
export function Tick({ isSelected, onChange, isDisabled, children }: TickProps) {
  return (
    <TickRow isSelected={isSelected} onChange={onChange} isDisabled={isDisabled ?? false}>
      <svg width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
        <rect
          x="1"
          y="1"
          width="22"
          height="22"
          fill={isSelected ? colour('agreed') : colour('sheet')}
          stroke={isSelected ? colour('agreed') : colour('ink')}
          strokeWidth="1.5"
        />
        {isSelected ? (
          <path d="M5 12.5 L10 17.5 L19 7" fill="none" stroke={colour('sheet')} strokeWidth="2.5" />
        ) : null}
      </svg>
      <span>{children}</span>
    </TickRow>
  );
}

const Group = styled(RadioGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 0;
  > span {
    flex-basis: 100%;
  }
`;

const Option = styled(Radio)`
  min-height: 44px;
  padding: 8px 14px;
  display: flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
  border: 1px solid ${colour('hairline')};
  margin-left: -1px;
  background: ${colour('sheet')};
  &[data-selected] {
    border: 1px solid ${colour('ink')};
    box-shadow: inset 0 -4px 0 ${colour('brass')};
    font-weight: 650;
    z-index: 1;
  }
  &[data-focus-visible] {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
    z-index: 2;
  }
`;

interface SwitchRowProps<Value extends string> {
  readonly label: string;
  readonly value: Value | null;
  readonly options: readonly { readonly value: Value; readonly text: ReactNode }[];
  readonly onChange: (value: Value) => void;
}

/** One of a few, all in view. */
export function ChoiceRow<Value extends string>({ label, value, options, onChange }: SwitchRowProps<Value>) {
  return (
    <Group value={value} onChange={(next) => onChange(next as Value)}>
      <FieldLabel>{label}</FieldLabel>
      {options.map((option) => (
        <Option key={option.value} value={option.value}>
          {option.text}
        </Option>
      ))}
    </Group>
  );
}
