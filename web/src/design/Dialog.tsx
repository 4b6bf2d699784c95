import type { ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { PlainButton } from './Button.tsx';
import { SIZE, colour } from './tokens.ts';

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: rgb(10 16 18 / 55%);
  display: grid;
  place-items: center;
  padding: 16px;
  z-index: 10;
`;

const Panel = styled(Modal)`
  background: ${colour('sheet')};
  border: 1px solid ${colour('ink')};
  width: min(680px, 100%);
  max-height: 90vh;
  overflow: auto;
`;

const Body = styled(AriaDialog)`
  padding: 20px 24px 24px;
  outline: none;
`;

const Title = styled(Heading)`
  font-size: ${SIZE.title};
  margin-bottom: 12px;
`;

interface DialogProps {
  readonly title: string;
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A panel laid over the sheet. Escape and the button close it; focus returns to where it was. */
export function Dialog({ title, isOpen, onClose, children }: DialogProps) {
  return (
    <Veil isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Panel>
        <Body>
          <Title slot="title">{title}</Title>
          {children}
          <PlainButton onPress={onClose} style={{ marginTop: 20 }}>
            Close
          </PlainButton>
        </Body>
      </Panel>
    </Veil>
  );
}
