/** One of many: React Aria's list, in our own dress. Opened by a press, walked by keys, found by typing. */
import { Button, ListBox, ListBoxItem, Popover, Select, SelectValue } from 'react-aria-components';
import styled from 'styled-components';
import { FieldLabel } from './fields.tsx';
import { useHeld } from './Held.tsx';
import { Unseen } from './layout.ts';
import { colour } from './tokens.ts';

const Field = styled(Button)`
  width: 100%;
  min-height: 48px;
  padding: 8px 12px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  text-align: left;
  border: 1px solid ${colour('inkSoft')};
  border-radius: 0;
  background: ${colour('sheet')};
  color: ${colour('ink')};
  cursor: pointer;
  &[data-focus-visible] {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
  }
  &[data-disabled] {
    color: ${colour('inkSoft')};
    border-color: ${colour('hairline')};
    cursor: default;
  }
  svg {
    flex: none;
  }
`;

const Layer = styled(Popover)`
  min-width: var(--trigger-width);
  max-width: min(560px, calc(100vw - 16px));
  max-height: 60vh;
  overflow: auto;
  background: ${colour('sheet')};
  border: 1px solid ${colour('ink')};
`;

const List = styled(ListBox)`
  outline: none;
`;

const Row = styled(ListBoxItem)`
  min-height: 44px;
  padding: 8px 12px;
  display: flex;
  align-items: center;
  cursor: pointer;
  outline: none;
  border-left: 4px solid transparent;
  &[data-selected] {
    border-left-color: ${colour('brass')};
    font-weight: 650;
  }
  &[data-focused] {
    background: ${colour('hairlineSoft')};
  }
`;

interface PickProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly text: string }[];
  readonly onChange: (value: Value) => void;
  readonly isDisabled?: boolean;
  /** In a row of a table, whose head says it. */
  readonly hideLabel?: boolean;
}

/** No row of a list has an empty key. */
const KEY = 'is:';

export function Pick<Value extends string>({
  label,
  value,
  options,
  onChange,
  isDisabled,
  hideLabel,
}: PickProps<Value>) {
  const isHeld = useHeld();
  return (
    <Select
      value={`${KEY}${value}`}
      onChange={(key) => {
        if (typeof key === 'string') onChange(key.slice(KEY.length) as Value);
      }}
      isDisabled={isHeld || (isDisabled ?? false)}
      placeholder="choose"
    >
      <FieldLabel>{hideLabel ? <Unseen>{label}</Unseen> : label}</FieldLabel>
      <Field>
        <SelectValue />
        <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
          <path d="M2 5 L7 10 L12 5" fill="none" stroke="currentColor" strokeWidth="1.6" />
        </svg>
      </Field>
      <Layer>
        <List>
          {options.map((option) => (
            <Row key={option.value} id={`${KEY}${option.value}`} textValue={option.text}>
              {option.text}
            </Row>
          ))}
        </List>
      </Layer>
    </Select>
  );
}
