/** One hose length as everybody counts it, side by side on its drawing; everything in the address. */
import { datumName, problemText } from '@zephyrcombe/contract';
import { convertLength, END_FAMILIES, EXAMPLE_BENDS_deg, sealingDatum } from '@zephyrcombe/core';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { Pick } from '../../design/fields.tsx';
import {
  Beside,
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
import { editableText, QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { SourceLine, Working } from '../../quantities/Working.tsx';
import { FAMILY_WORDS } from '../donor/DonorCheck.tsx';
import { drawnLengths } from '../measure/drawnLengths.ts';
import { HoseDrawing } from '../measure/HoseDrawing.tsx';
import { datumsFor, inDatum } from '../measure/measureView.ts';
import type { EndField, TypedEnd } from './datumState.ts';
import { END_FIELDS, exampleOf, geometryOf, readTypedEnd, writeTypedEnd } from './datumState.ts';

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

const FIELD_WORDS: Readonly<Record<EndField, string>> = {
  ferruleToApex: 'ferrule to the bend',
  apexToPoint: 'bend to the sealing point',
  neck: 'sealing point to behind the neck',
};

interface EndFieldsProps {
  readonly name: string;
  readonly end: TypedEnd;
  readonly onEnd: (end: TypedEnd) => void;
}

function EndFields({ name, end, onEnd }: EndFieldsProps) {
  const { units } = useWriter();
  const example = exampleOf(end);
  const usual_m: Readonly<Record<EndField, number>> = {
    ferruleToApex: example.ferruleToApex_m,
    apexToPoint: example.apexToPoint_m,
    neck: example.neckLength_m,
  };
  return (
    <Stack $gap={10} role="group" aria-label={name}>
      <Beside>
        <Pick
          label={name}
          value={end.family}
          options={END_FAMILIES.map((value) => ({ value, text: FAMILY_WORDS[value] }))}
          onChange={(family) => onEnd({ ...end, family })}
        />
        <Pick
          label={`${name}, bend`}
          value={String(end.bend_deg)}
          options={EXAMPLE_BENDS_deg.map((value) => ({ value: String(value), text: `${value}°` }))}
          onChange={(bend) => onEnd({ ...end, bend_deg: Number(bend) })}
        />
      </Beside>
      <Beside>
        {END_FIELDS.map((field) => (
          <QuantityField
            key={field}
            label={`${name}, ${FIELD_WORDS[field]}`}
            kind="length"
            allowZero
            placeholder={editableText(usual_m[field], units.length)}
            text={end.typed[field]}
            onText={(typed) => onEnd({ ...end, typed: { ...end.typed, [field]: typed } })}
          />
        ))}
      </Beside>
    </Stack>
  );
}
