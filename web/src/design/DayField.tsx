/** A day of the calendar, typed part by part or picked from a month. Empty is no day. */
import type { CalendarDate } from '@internationalized/date';
import { parseDate } from '@internationalized/date';
import {
  Button,
  Calendar,
  CalendarCell,
  CalendarGrid,
  DateInput,
  DatePicker,
  DateSegment,
  Dialog,
  Group,
  Heading,
  I18nProvider,
  Popover,
} from 'react-aria-components';
import styled from 'styled-components';
import { TextButton } from './Button.tsx';
import { FieldLabel, Wrong } from './fields.tsx';
import { useHeld } from './Held.tsx';
import { FONT, SIZE, colour } from './tokens.ts';

const Box = styled(Group)`
  display: flex;
  align-items: stretch;
  min-height: 48px;
  border: 1px solid ${colour('inkSoft')};
  background: ${colour('sheet')};
  &[data-invalid] {
    border: 2px solid ${colour('danger')};
  }
  &[data-focus-within] {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
  }
  > button {
    min-width: 44px;
    border: 0;
    border-left: 1px solid ${colour('hairline')};
    background: none;
    color: ${colour('ink')};
    cursor: pointer;
  }
`;

const Parts = styled(DateInput)`
  flex: 1;
  display: flex;
  align-items: center;
  padding: 8px 12px;
  font-family: ${FONT.figures};
`;

const Part = styled(DateSegment)`
  padding: 2px 1px;
  outline: none;
  &[data-placeholder] {
    color: ${colour('inkSoft')};
  }
  &[data-focused] {
    background: ${colour('action')};
    color: ${colour('onAction')};
  }
`;

const Layer = styled(Popover)`
  background: ${colour('sheet')};
  border: 1px solid ${colour('ink')};
  padding: 14px;
  overflow: auto;
  max-width: calc(100vw - 16px);
  section {
    outline: none;
  }
`;

const Month = styled(Calendar)`
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 12px;
    margin-bottom: 8px;
    font-size: ${SIZE.small};
  }
  header button {
    min-width: 44px;
    min-height: 44px;
    border: 1px solid ${colour('hairline')};
    background: none;
    color: ${colour('ink')};
    cursor: pointer;
  }
  table {
    border-collapse: collapse;
  }
`;

const Day = styled(CalendarCell)`
  width: 44px;
  height: 40px;
  display: grid;
  place-items: center;
  cursor: pointer;
  outline: none;
  &[data-outside-month] {
    display: none;
  }
  &[data-selected] {
    box-shadow: inset 0 -4px 0 ${colour('brass')};
    font-weight: 650;
  }
  &[data-focus-visible] {
    outline: 3px solid ${colour('action')};
  }
`;

interface DayFieldProps {
  readonly label: string;
  /** ISO 8601; empty: none. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly error?: string | null;
  readonly isDisabled?: boolean;
}

function dayOf(text: string): CalendarDate | null {
  try {
    return parseDate(text);
  } catch {
    return null;
  }
}

export function DayField({ label, value, onChange, error, isDisabled }: DayFieldProps) {
  const isHeld = useHeld();
  return (
    // Day, month, year, as the application writes them everywhere.
    <I18nProvider locale="en-GB">
      <DatePicker
        value={dayOf(value)}
        onChange={(day) => onChange(day?.toString() ?? '')}
        isInvalid={error !== null && error !== undefined}
        isDisabled={isHeld || (isDisabled ?? false)}
        validationBehavior="aria"
      >
        <FieldLabel>{label}</FieldLabel>
        <Box>
          <Parts>{(segment) => <Part segment={segment} />}</Parts>
          <Button aria-label="Pick from the calendar">
            <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
              <path
                d="M2 4 H16 V16 H2 Z M2 8 H16 M6 2 V5 M12 2 V5"
                fill="none"
                stroke="currentColor"
                strokeWidth="1.4"
              />
            </svg>
          </Button>
        </Box>
        <Wrong>{error}</Wrong>
        <Layer>
          <Dialog aria-label={label}>
            <TextButton slot="close" onPress={() => onChange('')}>
              no day
            </TextButton>
            <Month>
              <header>
                <Button slot="previous" aria-label="Month before">
                  ‹
                </Button>
                <Heading style={{ fontSize: 'inherit' }} />
                <Button slot="next" aria-label="Month after">
                  ›
                </Button>
              </header>
              <CalendarGrid>{(day) => <Day date={day} />}</CalendarGrid>
            </Month>
          </Dialog>
        </Layer>
      </DatePicker>
    </I18nProvider>
  );
}
