import { useLayoutEffect } from 'react';
import { useLatest } from './useLatest.ts';

/** Undo and redo wherever the eyes are; in a text field the field's own undo comes first. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  const [onUndo, onRedo] = [useLatest(undo), useLatest(redo)];
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      if (
        event.target instanceof HTMLElement &&
        event.target.closest('input:not([type="range"]), textarea, select')
      )
        return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) onUndo();
      else if (key === 'y' || key === 'z') onRedo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [onUndo, onRedo]);
}
