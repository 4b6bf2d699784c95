/** A hard line from its legs and bends: what to cut, where to bend, in which order, and its drawings; all in the address. */
import type { HardLineRequest } from '@zephyrcombe/contract';
import { problemText } from '@zephyrcombe/messages';
import { hardLineSheet } from '@zephyrcombe/documents';
import { developed, isFlat, judgeLine } from '@zephyrcombe/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { jobsQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { Pick } from '../../design/Pick.tsx';
import { Columns, Fine, Head, Page, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { Cautions } from '../job/Cautions.tsx';
import { KeepEvidence } from '../job/KeepEvidence.tsx';
import { FileRow, paperNamed } from '../paper/FileRow.tsx';
import type { TypedLine } from './lineState.ts';
import { checksOf, readLine, requestOf } from './lineState.ts';
import { Drawn, LegsSheet, LineFigures, MakingSheet, TubeSheet } from './LineSheets.tsx';

export function HardLinePage() {
  useCrumb('Hard line');
  const write = useWriter();
  const [text, set] = useAddress();
  const typed = readLine(text);
  const paper = paperNamed(text('paper'));
  const request = requestOf(typed, paper);
  const made = request ? developed(request.line) : null;
  const pages = request && made?.ok ? hardLineSheet(request, made.value, paper, write).pages : [];
  // Drawings come last: a long order of work has taken pages before them.
  const views = request && !isFlat(request.line) ? 2 : 1;
  const firstDrawing = Math.max(1, pages.length - views + 1);
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>How long is this hard line, and where does it bend?</Head>
          <Fine>
            Lay a wire along the route, mark its corners and measure between them. The old pipe or the wire is
            the pattern; it decides.
          </Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Stack $gap={16}>
            <LegsSheet typed={typed} set={set} />
            <TubeSheet typed={typed} set={set} />
          </Stack>
          <Stack $gap={16}>
            <Sheet aria-live="polite">
              <SheetTitle>Cut the straight tube to</SheetTitle>
              {request && made?.ok ? (
                <LineFigures request={request} made={made}>
                  <Cautions cautions={judgeLine(request.build, made.value, checksOf(typed))} />
                  <KeepLine request={request} typed={typed} />
                </LineFigures>
              ) : (
                <Fine>
                  {made && !made.ok
                    ? problemText(made.problem, write)
                    : 'Type every leg with its unit and every bend in degrees; what is usual may stay empty.'}
                </Fine>
              )}
            </Sheet>
            <MakingSheet typed={typed} set={set} />
            <Sheet>
              <SheetTitle>On paper</SheetTitle>
              <FileRow
                of="hard-line"
                body={made?.ok ? request : null}
                texts={request ? [request.name] : []}
                paper={paper}
                onPaper={(next) => set({ paper: next })}
                files={[
                  { format: 'pdf', page: 1, words: 'Sheet as PDF' },
                  { format: 'svg', page: firstDrawing, words: 'Drawing as SVG' },
                  { format: 'dxf', page: firstDrawing, words: 'Drawing as DXF' },
                ]}
              />
            </Sheet>
          </Stack>
        </Columns>
        {request && pages.length > 0 ? <Drawn name={request.name} pages={pages.slice(-views)} /> : null}
      </Stack>
    </Page>
  );
}

/** A line is made for a job: what was judged is kept there. */
function KeepLine({ request, typed }: { readonly request: HardLineRequest; readonly typed: TypedLine }) {
  const jobs = useInfiniteQuery(jobsQuery('open'));
  const [jobId, setJob] = useState('');
  const open = jobs.data?.pages.flatMap(({ items }) => items) ?? [];
  if (open.length === 0) return null;
  return (
    <Stack $gap={6}>
      <Pick
        label="Made for the job"
        value={jobId}
        options={[
          { value: '', text: 'no job' },
          ...open.map(({ id, title, vehicleName }) => ({ value: id, text: `${vehicleName}: ${title}` })),
        ]}
        onChange={setJob}
      />
      {jobId === '' ? null : (
        <KeepEvidence
          key={jobId}
          jobId={jobId}
          judgement={{
            kind: 'hardLine',
            name: request.name,
            request,
            checks: { ...checksOf(typed), bentBack: [...checksOf(typed).bentBack] },
          }}
        >
          Keep what was judged with the job
        </KeepEvidence>
      )}
    </Stack>
  );
}
