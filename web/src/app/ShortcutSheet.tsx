import styled from 'styled-components';
import { Dialog } from '../design/Dialog.tsx';
import { FONT, colour } from '../design/tokens.ts';

const KEYS: readonly (readonly [string, string])[] = [
  ['?', 'This sheet'],
  ['J', 'Jobs'],
  ['V', 'Vehicles'],
  ['N', 'Start a job'],
  ['B', 'Bench tools'],
  ['T', 'Thread finder'],
  ['U', 'Units and paper'],
  ['1 to 6', 'In a job: go to that stage'],
  ['← →', 'On the circuit: previous and next hose or joint'],
  ['Enter', 'On the circuit: open it; in a field with a bare number: take your own unit'],
  [
    'C, J, H, N, Del',
    'On the drawing of a circuit: add a hose, cut a junction in, hose or hard line, add a nipple, remove',
  ],
  ['Arrows, Page Up, Page Down', 'On the drawing of a circuit: walk by place, or one after the other'],
  ['Ctrl+Z, Ctrl+Y', 'On the drawing of a circuit and on the route bench: undo, redo'],
  ['Arrows', 'On the route bench: move what is held, the pose or the length; with Shift ten times as far'],
  ['Esc', 'Close a panel'],
];

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 20px;
  kbd {
    font-family: ${FONT.figures};
    border: 1px solid ${colour('hairline')};
    padding: 2px 8px;
  }
`;

export function ShortcutSheet({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  return (
    <Dialog title="Keys" isOpen={isOpen} onClose={onClose}>
      <List>
        {KEYS.map(([key, meaning]) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{meaning}</dd>
          </div>
        ))}
      </List>
    </Dialog>
  );
}
