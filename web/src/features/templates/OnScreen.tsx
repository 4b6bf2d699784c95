/** The sheets on the screen; at true size after a card or a ruler was laid on it. Each screen remembers its own measure. */
import type { FlatDrawing } from '@zephyrcombe/core';
import { useState } from 'react';
import styled from 'styled-components';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Fine, Label, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { colour } from '../../design/tokens.ts';
import { FlatView } from '../../drawing/FlatView.tsx';

/** A bank card, ISO/IEC 7810 ID-1, from memory. */
const CARD_mm = [85.6, 53.98] as const;
/** What a browser believes of every screen: 96 to the inch. */
const BELIEVED_px = 96 / 25.4;
const RANGE_px = [2, 14] as const;

const Card = styled.div`
  border: 2px solid ${colour('action')};
  background: repeating-linear-gradient(
    90deg,
    ${colour('hairline')} 0 1px,
    transparent 1px calc(var(--card) / 85.6 * 10)
  );
`;
const Range = styled.input`
  width: 100%;
  min-height: 48px;
  accent-color: ${colour('action')};
`;
const Scroll = styled.div`
  overflow: auto;
`;

export function OnScreen({ pages }: { readonly pages: readonly FlatDrawing[] }) {
  const [measured, setMeasured, forget] = useDraft<number | null>('screen.perMm_px', null);
  const [trying, setTrying] = useState<number | null>(null);
  return (
    <Sheet>
      <SheetTitle>On this screen</SheetTitle>
      <Stack $gap={12}>
        {trying !== null ? (
          <Stack $gap={8}>
            <Fine>
              Lay a bank card in the frame and make the frame as large as the card; or hold a ruler on it: its
              marks are 10 mm apart.
            </Fine>
            <Card
              style={{
                width: CARD_mm[0] * trying,
                height: CARD_mm[1] * trying,
                '--card': `${CARD_mm[0] * trying}px`,
              }}
            />
            <label>
              <Label>Size of the frame</Label>
              <Range
                type="range"
                min={RANGE_px[0]}
                max={RANGE_px[1]}
                step={0.01}
                value={trying}
                onChange={(event) => setTrying(Number(event.target.value))}
              />
            </label>
            <Line>
              <PlainButton
                onPress={() => {
                  setMeasured(trying);
                  setTrying(null);
                }}
              >
                The frame is as large as the card
              </PlainButton>
              <TextButton onPress={() => setTrying(null)}>leave it</TextButton>
            </Line>
          </Stack>
        ) : (
          <Line>
            <PlainButton onPress={() => setTrying(measured ?? BELIEVED_px)}>
              {measured === null ? 'Measure this screen with a card' : 'Measure it again'}
            </PlainButton>
            {measured === null ? null : <TextButton onPress={forget}>fit the sheet to its place</TextButton>}
          </Line>
        )}
        <Fine role="status">
          {measured === null
            ? 'Fitted to its place: not at true size.'
            : 'At true size on this screen, as long as the page is not zoomed: lay a ruler on the bars.'}
        </Fine>
        <Scroll tabIndex={0} role="region" aria-label="Sheets">
          <Stack $gap={16}>
            {pages.map((page, index) => (
              <FlatView
                key={index}
                drawing={page}
                perMm_px={measured}
                label={index === 0 ? 'Both ends at true size on paper' : 'Bend gauge at true size on paper'}
              />
            ))}
          </Stack>
        </Scroll>
      </Stack>
    </Sheet>
  );
}
