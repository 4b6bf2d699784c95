/** The donor check on the bench: what is needed on the left, what is offered on the right, everything in the address. */
import { useCrumb } from '../../app/crumb.ts';
import { useAddress } from '../../app/useAddress.ts';
import { Columns, Fine, Head, Page, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { DonorCheck, EndPicks } from './DonorCheck.tsx';
import { endOf, readEnd, writeEnd } from './donorState.ts';

export function DonorPage() {
  useCrumb('Donor hose');
  const [text, set] = useAddress();
  const [needA, needB] = [readEnd(text('needA')), readEnd(text('needB'))];
  const needed_m = readQuantity(text('need'), 'length').quantity?.value_SI;
  const longest_m = readQuantity(text('most'), 'length').quantity?.value_SI ?? null;
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Will this hose do instead?</Head>
          <Fine>Before anything is opened: a hose that is 25 mm short is scrap, and the vehicle stands.</Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Sheet>
            <SheetTitle>What is needed</SheetTitle>
            <Stack $gap={12}>
              <QuantityField
                label="The shortest length that does, slack included"
                kind="length"
                text={text('need')}
                onText={(need) => set({ need })}
                placeholder="742 mm"
                big
              />
              <QuantityField
                label="The longest that stays clear, if it is known"
                kind="length"
                text={text('most')}
                onText={(most) => set({ most })}
              />
              <EndPicks name="First port" end={needA} onEnd={(end) => set({ needA: writeEnd(end) })} />
              <EndPicks name="Far port" end={needB} onEnd={(end) => set({ needB: writeEnd(end) })} />
            </Stack>
          </Sheet>
          <Sheet>
            <SheetTitle>What is offered</SheetTitle>
            <DonorCheck
              need={
                needed_m === undefined
                  ? null
                  : { needed_m, longest_m, endA: endOf(needA), endB: endOf(needB) }
              }
              offer={{
                length: text('length'),
                endA: readEnd(text('a')),
                endB: readEnd(text('b')),
              }}
              onOffer={({ length, endA, endB }) => set({ length, a: writeEnd(endA), b: writeEnd(endB) })}
            />
          </Sheet>
        </Columns>
      </Stack>
    </Page>
  );
}
