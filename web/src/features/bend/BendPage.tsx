/** The bend a fitting needs, from two directions measured with a tape; everything in the address. */
import { problemText } from '@zephyrcombe/messages';
import type { EndFamily } from '@zephyrcombe/core';
import { bendNeeded, END_FAMILIES } from '@zephyrcombe/core';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { Pick } from '../../design/Pick.tsx';
import {
  Beside,
  Columns,
  Fine,
  Head,
  Hero,
  Label,
  Page,
  Sheet,
  SheetTitle,
  Stack,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { FAMILY_WORDS } from '../donor/DonorCheck.tsx';
import { BendDrawing } from './BendDrawing.tsx';
import { AXES, readDirection } from './direction.ts';

/** A hose makes this much up without a harder bend at the ferrule; our estimate. */
const EASY_rad = (12 * Math.PI) / 180;

export function BendPage() {
  useCrumb('Bend needed');
  const write = useWriter();
  const [text, set] = useAddress();
  const family: EndFamily = END_FAMILIES.find((known) => known === text('end')) ?? 'banjo';
  const direction = readDirection(['d', 'dl', 'du'].map(text));
  const axis = readDirection(['a', 'al', 'au'].map(text));
  const result = direction && axis ? bendNeeded(family, direction, axis) : null;
  const axisWords = family === 'banjo' ? 'The bolt, away from the part' : 'The port, away from the part';
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Which bend does this end need?</Head>
          <Fine>
            Put a rod in the port and one where the hose shall run; from the start of each measure how far it
            goes forward, to the left and up.
          </Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Sheet>
            <Stack $gap={14}>
              <Pick
                label="End"
                value={family}
                options={END_FAMILIES.map((value) => ({ value, text: FAMILY_WORDS[value] }))}
                onChange={(end) => set({ end })}
              />
              <DirectionFields
                name="The hose shall leave"
                texts={['d', 'dl', 'du'].map(text)}
                onText={(index, typed) => set({ [['d', 'dl', 'du'][index] ?? 'd']: typed })}
              />
              <DirectionFields
                name={axisWords}
                texts={['a', 'al', 'au'].map(text)}
                onText={(index, typed) => set({ [['a', 'al', 'au'][index] ?? 'a']: typed })}
              />
            </Stack>
          </Sheet>
          <Sheet aria-live="polite">
            <SheetTitle>Bend of the neck</SheetTitle>
            {result?.ok ? (
              <Stack $gap={10}>
                <Hero data-testid="bend">{write.angle(result.value.needed_rad)}</Hero>
                <BendDrawing family={family} needed_rad={result.value.needed_rad} />
                <Fine>
                  Nearest on offer: {result.value.nearest_deg}°
                  {result.value.short_rad < EASY_rad / 12
                    ? ', as it is.'
                    : `; the hose makes up ${write.angle(result.value.short_rad)}.`}{' '}
                  Between the two directions: {write.angle(result.value.between_rad)}.{' '}
                  <Working of="bend" result={result} />
                </Fine>
                {result.value.needed_rad < -EASY_rad ? (
                  <Notice severity="warn" title="The hose would dive towards the part">
                    <p>
                      No bend is made that way. Turn the eye over, or let the hose leave square to the bolt.
                    </p>
                  </Notice>
                ) : result.value.short_rad > EASY_rad ? (
                  <Notice severity="warn" title="No bend on offer comes near">
                    <p>
                      The hose would have to bend at its ferrule. Take another direction, or turn the eye.
                    </p>
                  </Notice>
                ) : null}
              </Stack>
            ) : (
              <Fine>
                {result
                  ? problemText(result.problem, write)
                  : 'Type both directions, each figure with its unit; what you leave empty is nothing.'}
              </Fine>
            )}
          </Sheet>
        </Columns>
      </Stack>
    </Page>
  );
}

interface DirectionFieldsProps {
  readonly name: string;
  readonly texts: readonly string[];
  readonly onText: (index: number, text: string) => void;
}

function DirectionFields({ name, texts, onText }: DirectionFieldsProps) {
  return (
    <div role="group" aria-label={name}>
      <Label>{name}</Label>
      <Beside>
        {AXES.map((axis, index) => (
          <QuantityField
            key={axis}
            label={axis}
            kind="length"
            allowZero
            allowNegative
            text={texts[index] ?? ''}
            onText={(typed) => onText(index, typed)}
          />
        ))}
      </Beside>
    </div>
  );
}
