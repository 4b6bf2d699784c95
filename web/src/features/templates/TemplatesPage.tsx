/** Ends of a hose at true size: on paper with bars that prove it, or on a screen that was measured. All in the address. */
import type { TemplateRequest } from '@zephyrcombe/contract';
import { templateSheet } from '@zephyrcombe/documents';
import { EXAMPLE_BUILD } from '@zephyrcombe/core';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { TextField } from '../../design/fields.tsx';
import { Beside, Columns, Fine, Head, Page, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { editableText, QuantityField } from '../../quantities/QuantityField.tsx';
import { geometryOf, readTypedEnd, writeTypedEnd } from '../datums/datumState.ts';
import { EndFields } from '../datums/EndFields.tsx';
import { FileRow, paperNamed } from '../paper/FileRow.tsx';
import { OnScreen } from './OnScreen.tsx';
import type { BuildField } from './templateState.ts';
import { BUILD_FIELDS, buildOf, readTypedBuild, writeTypedBuild } from './templateState.ts';

const BUILD_WORDS: Readonly<Record<BuildField, string>> = {
  bore_m: 'Bore of the eye, or thread',
  eyeOutside_m: 'Eye across its outside',
  eyeThickness_m: 'Eye, thickness',
  neck_m: 'Neck across its outside',
  ferrule_m: 'Ferrule across its outside',
  ferruleLength_m: 'Ferrule, length',
};

export function TemplatesPage() {
  useCrumb('Templates');
  const write = useWriter();
  const [text, set] = useAddress();
  const [typedA, typedB] = [readTypedEnd(text('a') || 'banjo~45'), readTypedEnd(text('b') || 'banjo~0')];
  const [endA, endB] = [geometryOf(typedA), geometryOf(typedB)];
  const typedBuild = readTypedBuild(text('as'));
  const build = buildOf(typedBuild);
  const paper = paperNamed(text('paper'));
  const title = text('title').trim() === '' ? 'Ends at true size' : text('title').trim();
  const request: TemplateRequest | null =
    endA && endB && build
      ? {
          title,
          paper,
          ends: [
            { name: 'End A', end: endA, build },
            { name: 'End B', end: endB, build },
          ],
        }
      : null;
  const pages = request ? templateSheet(title, request.ends, paper, write).pages : [];
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>What does this end look like at true size?</Head>
          <Fine>
            Lay the part on its outline before it is fitted, and hold the gauge against the port to see which
            bend it wants.
          </Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Stack $gap={16}>
            <Sheet>
              <Stack $gap={12}>
                <TextField
                  label="Title of the sheet"
                  value={text('title')}
                  onChange={(next) => set({ title: next })}
                />
                <EndFields name="End A" end={typedA} onEnd={(end) => set({ a: writeTypedEnd(end) })} />
                <EndFields name="End B" end={typedB} onEnd={(end) => set({ b: writeTypedEnd(end) })} />
              </Stack>
            </Sheet>
            <Sheet>
              <SheetTitle>Both ends</SheetTitle>
              <Beside>
                {BUILD_FIELDS.map((field) => (
                  <QuantityField
                    key={field}
                    label={BUILD_WORDS[field]}
                    kind="length"
                    placeholder={editableText(EXAMPLE_BUILD[field], write.units.length)}
                    text={typedBuild[field]}
                    onText={(typed) => set({ as: writeTypedBuild({ ...typedBuild, [field]: typed }) })}
                  />
                ))}
              </Beside>
              <Fine>Examples of ours until you type what your calliper reads on the part in your hand.</Fine>
            </Sheet>
            <Sheet>
              <SheetTitle>On paper</SheetTitle>
              <FileRow
                of="templates"
                body={request}
                texts={request ? [request.title, ...request.ends.map(({ name }) => name)] : []}
                paper={paper}
                onPaper={(next) => set({ paper: next })}
                files={[
                  { format: 'pdf', page: 1, words: 'Ends and gauge as PDF' },
                  { format: 'svg', page: 1, words: 'Ends as SVG' },
                  { format: 'svg', page: 2, words: 'Gauge as SVG' },
                  { format: 'dxf', page: 2, words: 'Gauge as DXF' },
                ]}
              />
            </Sheet>
          </Stack>
          {pages.length > 0 ? (
            <OnScreen pages={pages} />
          ) : (
            <Sheet>
              <Fine>A figure is no length: mend it, and the ends are drawn.</Fine>
            </Sheet>
          )}
        </Columns>
      </Stack>
    </Page>
  );
}
