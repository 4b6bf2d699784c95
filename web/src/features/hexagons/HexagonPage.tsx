/** Which wrench goes on a hexagon, and which neighbour rounds it; on the bench, with everything in the address. */
import { judgeWrench, WRENCH_SIZES, wrenchesFor } from '@zephyrcombe/core';
import { WRENCH_WORDS } from '@zephyrcombe/messages';
import { useCrumb } from '../../app/crumb.ts';
import { useAddress } from '../../app/useAddress.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { Pick } from '../../design/Pick.tsx';
import { Columns, Fine, Head, Hero, Page, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Wrenches } from '../circuit-editor/JointPanel.tsx';
import { Cautions } from '../job/Cautions.tsx';

export function HexagonPage() {
  useCrumb('Hexagons');
  const write = useWriter();
  const [told, set] = useAddress();
  const text = told('across');
  const across_m = readQuantity(text, 'length').quantity?.value_SI ?? null;
  const wrench = WRENCH_SIZES.find((size) => size.name === told('wrench')) ?? null;
  const judged = across_m !== null && wrench ? judgeWrench(across_m, wrench.across_m) : null;
  const best = across_m === null ? undefined : wrenchesFor(across_m).fit[0];
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Which wrench for this hexagon?</Head>
          <Fine>Metric and inch sizes lie close together: one fits, its neighbour rounds the nut.</Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Sheet>
            <Stack $gap={12}>
              <QuantityField
                label="Across the flats, as measured or by its name"
                kind="length"
                text={text}
                onText={(typed) => set({ across: typed })}
                placeholder="11/16 in, 17.5 mm"
                big
              />
              <Pick
                label="The wrench in your hand"
                value={wrench?.name ?? ''}
                options={[
                  { value: '', text: 'none yet' },
                  ...WRENCH_SIZES.map((size) => ({ value: size.name, text: size.name })),
                ]}
                onChange={(name) => set({ wrench: name })}
              />
            </Stack>
          </Sheet>
          <Stack $gap={16} aria-live="polite">
            <Sheet>
              <SheetTitle>{across_m === null ? 'No size yet' : 'Take'}</SheetTitle>
              {across_m === null ? (
                <Fine>Type the width across two opposite flats with its unit.</Fine>
              ) : (
                <>
                  <Hero>{best?.name ?? 'None fits'}</Hero>
                  <Wrenches hexagon_m={across_m} end={null} />
                </>
              )}
            </Sheet>
            {judged?.ok ? (
              <Sheet>
                <SheetTitle>
                  The {wrench?.name} wrench {WRENCH_WORDS[judged.value.verdict]}
                </SheetTitle>
                <Fine>
                  Play {write.fineLength(judged.value.clearance_m)}. <Working of="wrench" result={judged} />
                </Fine>
                <Cautions cautions={judged.cautions} />
              </Sheet>
            ) : null}
          </Stack>
        </Columns>
      </Stack>
    </Page>
  );
}
