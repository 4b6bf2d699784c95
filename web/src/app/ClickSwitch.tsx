/** A click for each stroke, cap and step that is counted: on or off for who is signed in. */
import { TextButton } from '../design/Button.tsx';
import type { Counted } from './counted.ts';
import { canClick } from './counted.ts';

/** Kept by the page, which tells of what is counted. */
export function ClickSwitch({ counted: { isHeard, setHeard } }: { readonly counted: Counted }) {
  if (!canClick()) return null;
  return (
    <TextButton aria-pressed={isHeard} onPress={() => setHeard(!isHeard)}>
      {isHeard ? 'stop clicking' : 'click when counted'}
    </TextButton>
  );
}
