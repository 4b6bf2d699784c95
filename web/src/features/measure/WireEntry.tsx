/** How a wire was laid: hooked round the bolts, and through bends that a hose cannot make. */
import type { LengthDatum } from '@zephyrcombe/core';
import { Beside } from '../../design/layout.ts';
import { TextField } from '../../design/fields.tsx';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import type { WireDraft } from './readingDraft.ts';

interface WireEntryProps {
  readonly wire: WireDraft;
  readonly datum: LengthDatum | null;
  readonly onWire: (wire: WireDraft) => void;
}

export function WireEntry({ wire, datum, onWire }: WireEntryProps) {
  const set = (change: Partial<WireDraft>) => onWire({ ...wire, ...change });
  return (
    <Beside role="group" aria-label="How the wire was laid">
      {datum?.endA === 'eyeCentre' ? (
        <TextField
          label="Turns round the bolt at A"
          value={wire.turnsA}
          onChange={(turnsA) => set({ turnsA })}
        />
      ) : null}
      {datum?.endB === 'eyeCentre' ? (
        <TextField
          label="Turns round the bolt at B"
          value={wire.turnsB}
          onChange={(turnsB) => set({ turnsB })}
        />
      ) : null}
      <QuantityField
        label="Thickness of the wire"
        kind="length"
        text={wire.thickness}
        onText={(thickness) => set({ thickness })}
      />
      <TextField
        label="Quarter bends too tight for a hose"
        value={wire.bends}
        onChange={(bends) => set({ bends })}
      />
      <QuantityField
        label="Their radius, about"
        kind="length"
        allowZero
        text={wire.radius}
        onText={(radius) => set({ radius })}
      />
    </Beside>
  );
}
