/** Buttons that say why when they cannot be pressed. */
import type { ReactNode } from 'react';
import { useId } from 'react';
import type { ButtonProps as AriaButtonProps } from 'react-aria-components';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { useHeld } from './Held.tsx';
import { PHONE, SIZE, colour } from './tokens.ts';

const shape = css`
  min-height: 48px;
  padding: 8px 20px;
  border-radius: 0;
  cursor: pointer;
  font-size: ${SIZE.large};
`;

const Base = styled(AriaButton)`
  &[data-disabled] {
    opacity: 0.55;
    cursor: default;
  }
  &[data-pending] {
    cursor: progress;
  }
`;

const Why = styled.span`
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
`;

/** Says the reason to the mouse, and leaves the button where it stands in its row. */
const Around = styled.span`
  display: contents;
`;

export interface ButtonProps extends Omit<
  AriaButtonProps,
  'isDisabled' | 'isPending' | 'children' | 'className'
> {
  readonly children: ReactNode;
  readonly className?: string;
  /** Why it cannot be pressed, one sentence; empty when it can. There is no other way to disable a button. */
  readonly because?: string | null | undefined;
  /** The reason is said to who points at it or has the page read out, and not written beside it: undo, redo, counting down. */
  readonly isQuiet?: boolean;
  /** What it asked for is on its way: it keeps the focus, and is not pressed a second time. */
  readonly isPending?: boolean;
}

const WAITS = { onPress: () => undefined, type: 'button', 'data-pending': true } as const;

function SayingButton({ because = null, isQuiet = false, isPending = false, ...props }: ButtonProps) {
  const id = useId();
  const isHeld = useHeld();
  const held =
    because === null || because === ''
      ? { isDisabled: isHeld }
      : { isDisabled: true, 'aria-describedby': id };
  const button = <Base {...props} {...held} {...(isPending ? WAITS : {})} />;
  // The button stays the first child, so that it keeps the focus when the reason comes and goes.
  if (isQuiet)
    return (
      <Around title={because ?? undefined}>
        {button}
        {because ? (
          <span id={id} hidden>
            {because}
          </span>
        ) : null}
      </Around>
    );
  return (
    <>
      {button} {because ? <Why id={id}>{because}</Why> : null}
    </>
  );
}

/** What the screen is for; says what will be written. */
export const PrimaryButton = styled(SayingButton)`
  ${shape}
  background: ${colour('action')};
  color: ${colour('onAction')};
  border: 1px solid ${colour('action')};
  font-weight: 650;
`;

export const PlainButton = styled(SayingButton)`
  ${shape}
  font-size: ${SIZE.text};
  background: ${colour('sheet')};
  color: ${colour('ink')};
  border: 1px solid ${colour('ink')};
  &[aria-pressed='true'] {
    box-shadow: inset 0 -4px 0 ${colour('brass')};
    font-weight: 650;
  }
`;

/** A button that reads like a link: "working", "undo last stroke". */
export const TextButton = styled(SayingButton)`
  background: none;
  border: 0;
  padding: 6px 2px;
  min-height: 32px;
  ${PHONE} {
    min-height: 44px;
    min-width: 44px;
  }
  justify-self: start;
  color: ${colour('action')};
  text-decoration: underline;
  text-underline-offset: 3px;
  font-size: ${SIZE.small};
  cursor: pointer;
`;
