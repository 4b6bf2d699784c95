import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { SIZE, colour } from './tokens.ts';

const shape = css`
  min-height: 48px;
  padding: 8px 20px;
  border-radius: 0;
  cursor: pointer;
  font-size: ${SIZE.large};
  &[data-disabled] {
    opacity: 0.55;
    cursor: default;
  }
`;

/** What the screen is for; says what will be written. */
export const PrimaryButton = styled(AriaButton)`
  ${shape}
  background: ${colour('action')};
  color: ${colour('onAction')};
  border: 1px solid ${colour('action')};
  font-weight: 650;
`;

export const PlainButton = styled(AriaButton)`
  ${shape}
  font-size: ${SIZE.text};
  background: ${colour('sheet')};
  color: ${colour('ink')};
  border: 1px solid ${colour('ink')};
`;

/** A button that reads like a link: "working", "undo last stroke". */
export const TextButton = styled(AriaButton)`
  background: none;
  border: 0;
  padding: 6px 2px;
  min-height: 32px;
  justify-self: start;
  color: ${colour('action')};
  text-decoration: underline;
  text-underline-offset: 3px;
  font-size: ${SIZE.small};
  cursor: pointer;
  &[data-disabled] {
    opacity: 0.55;
    cursor: default;
  }
`;
