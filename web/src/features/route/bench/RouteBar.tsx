/** What stands beside the head of every bench: which hose, and the way back and forth. */
import type { ReactNode } from 'react';
import { memo } from 'react';
import { PlainButton } from '../../../design/Button.tsx';
import { Pick } from '../../../design/Pick.tsx';
import { Line } from '../../../design/layout.ts';
import type { RouteAction, RouteState } from './benchState.ts';

interface RouteBarProps {
  readonly state: RouteState;
  readonly dispatch: (action: RouteAction) => void;
  /** The head, and what stands between it and the hose. */
  readonly children: ReactNode;
  /** After undo and redo. */
  readonly more: ReactNode;
}

/** Given the bench at rest and elements that stay the same, it is left alone while something is dragged. */
export const RouteBar = memo(function RouteBar({ state, dispatch, children, more }: RouteBarProps) {
  const { hoses } = state.corner;
  return (
    <Line $gap={14} style={{ alignItems: 'end' }}>
      {children}
      {hoses.length > 1 ? (
        <div style={{ flex: '0 1 220px' }}>
          <Pick
            label="Hose"
            value={state.hoseId}
            options={hoses.map(({ id, name }) => ({ value: id, text: name }))}
            onChange={(hoseId) => dispatch({ type: 'hose', hoseId })}
          />
        </div>
      ) : null}
      <PlainButton
        isQuiet
        because={state.past.length === 0 ? 'Nothing to undo.' : null}
        onPress={() => dispatch({ type: 'undo' })}
      >
        Undo
      </PlainButton>
      <PlainButton
        isQuiet
        because={state.future.length === 0 ? 'Nothing to redo.' : null}
        onPress={() => dispatch({ type: 'redo' })}
      >
        Redo
      </PlainButton>
      {more}
    </Line>
  );
});
