/** One hose length as everybody counts it, side by side on its drawing; everything in the address. */
import { datumName, problemText } from '@zephyrcombe/messages';
import { convertLength, sealingDatum } from '@zephyrcombe/core';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { Pick } from '../../design/Pick.tsx';
import {
  Columns,
  Figure,
  Fine,
  Head,
  Label,
  Page,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { SourceLine, Working } from '../../quantities/Working.tsx';
import { drawnLengths } from '../measure/drawnLengths.ts';
import { HoseDrawing } from '../measure/HoseDrawing.tsx';
import { datumsFor, inDatum } from '../measure/measureView.ts';
import { geometryOf, readTypedEnd, writeTypedEnd } from './datumState.ts';
import { EndFields } from './EndFields.tsx';

export function DatumsPage() {
  useCrumb('Length datums');
  const write = useWriter();
  const [text, set] = useAddress();
  const [typedA, typedB] = [readTypedEnd(text('a')), readTypedEnd(text('b'))];
  const [endA, endB] = [geometryOf(typedA), geometryOf(typedB)];
  const length = readQuantity(text('length'), 'length').quantity;
  const ends = endA && endB ? { endA, endB } : null;
  const datums = ends ? datumsFor(ends) : [];
  const from = Math.min(Math.max(0, Number(text('from')) || 0), 2);
  const given = datums[from];
  const sealing =
    ends && given && length
      ? convertLength({
          length_m: length.value_SI,
          given,
          wanted: sealingDatum(ends.endA, ends.endB),
          ...ends,
        })
      : null;
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Which points does this length join?</Head>
          <Fine>
            The same hose is about 25 mm longer or shorter at each end, as the maker counts. Say it, or order
            the wrong one.
          </Fine>
        </div>
        <Columns $left="1.5fr" $right="1fr">
          <Stack $gap={16}>
            <Sheet>
              {ends ? (
                <HoseDrawing
                  length_m={sealing?.ok ? sealing.value.length_m : 0}
                  endA={ends.endA}
                  endB={ends.endB}
                  nameA="one end"
                  nameB="other end"
                  lengths={sealing?.ok ? drawnLengths(ends, sealing.value.length_m, write) : []}
                  entry={
                    <QuantityField
                      label="Length"
                      hideLabel
                      kind="length"
                      big
                      placeholder="742 mm"
                      text={text('length')}
                      onText={(typed) => set({ length: typed })}
                      error={sealing && !sealing.ok ? problemText(sealing.problem, write) : null}
                    />
                  }
                />
              ) : (
                <Fine>A take-off is no length: mend it, and the hose is drawn.</Fine>
              )}
              <Pick
                label="It was counted"
                value={String(from)}
                options={(ends ? datums : []).map((datum, index) => ({
                  value: String(index),
                  text: datumName(datum),
                }))}
                onChange={(index) => set({ from: index })}
              />
            </Sheet>
            <Sheet>
              <EndFields name="One end" end={typedA} onEnd={(end) => set({ a: writeTypedEnd(end) })} />
            </Sheet>
            <Sheet>
              <EndFields name="Other end" end={typedB} onEnd={(end) => set({ b: writeTypedEnd(end) })} />
            </Sheet>
          </Stack>
          <Sheet aria-live="polite">
            <SheetTitle>As others count it</SheetTitle>
            {ends && sealing?.ok ? (
              <Rows>
                {datums.map((datum, index) => {
                  const converted = inDatum(ends, sealing.value.length_m, datum);
                  if (!converted.ok) return null;
                  return (
                    <Spread key={datum.endA + datum.endB}>
                      <Label>
                        {datumName(datum)}
                        {index === from ? ', as given' : ''}
                      </Label>
                      <span>
                        <Figure $size="large">{write.length(converted.value.length_m)}</Figure>{' '}
                        <Working of={`length ${datumName(datum)}`} result={converted} />
                      </span>
                    </Spread>
                  );
                })}
              </Rows>
            ) : (
              <Fine>Type the length with its unit on the drawing, and say how it was counted.</Fine>
            )}
            <Fine style={{ marginTop: 12 }}>
              The take-offs are examples of ours until you type those of the fittings in your hand.{' '}
              <SourceLine id="fittingGeometry" />
            </Fine>
          </Sheet>
        </Columns>
      </Stack>
    </Page>
  );
}
