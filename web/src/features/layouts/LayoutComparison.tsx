/** The same brake laid out in each way, side by side: drawing, figures with their working, and when each is right. */
import { LAYOUT_NAMES, LAYOUT_WHEN, layoutPraise } from '@zephyrcombe/messages';
import type { Calculated, Hydraulics, LayoutFigures, LayoutId } from '@zephyrcombe/core';
import { layOut, layoutFigures, layoutOf, LAYOUTS } from '@zephyrcombe/core';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import styled from 'styled-components';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine, Label, Stack } from '../../design/layout.ts';
import { FONT, SIZE, colour } from '../../design/tokens.ts';
import { layoutStrip } from '../../drawing/circuit-strip/layout.ts';
import { StripPicture } from '../../drawing/circuit-strip/StripPicture.tsx';
import { useWidth } from '../../drawing/useWidth.ts';
import { Working } from '../../quantities/Working.tsx';

export interface LaidOut {
  readonly layout: LayoutId;
  readonly circuit: Hydraulics;
  readonly figures: Calculated<LayoutFigures>;
}

/** Every way to lay this circuit out; the one it has keeps its measured lengths. */
export function useLayouts(found: Hydraulics): readonly LaidOut[] {
  return useMemo(
    () =>
      LAYOUTS.flatMap((layout): LaidOut[] => {
        const circuit = layoutOf(found) === layout ? found : layOut(found, layout, newId);
        const figures = circuit && layoutFigures(circuit);
        return circuit && figures?.ok ? [{ layout, circuit, figures }] : [];
      }),
    [found],
  );
}

/* What is only read out is placed absolutely: without `relative` it would widen the page. */
const Scroll = styled.div`
  position: relative;
  overflow-x: auto;
  background: ${colour('sheet')};
  border: 1px solid ${colour('hairline')};
`;

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  min-width: 760px;
  table-layout: fixed;
  font-size: ${SIZE.small};
  col.name {
    width: 190px;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 8px 14px;
    border-bottom: 1px solid ${colour('hairlineSoft')};
  }
  thead th {
    font-size: ${SIZE.large};
    padding-top: 12px;
  }
  tbody th {
    font-weight: 400;
    color: ${colour('inkSoft')};
  }
  td.figure {
    font-family: ${FONT.figures};
    font-size: ${SIZE.text};
  }
  td.best {
    font-weight: 700;
    box-shadow: inset 3px 0 0 ${colour('brass')};
  }
`;

interface LayoutComparisonProps {
  readonly layouts: readonly LaidOut[];
  readonly present: LayoutId | null;
  readonly choose: (laidOut: LaidOut) => ReactNode;
}

export function LayoutComparison({ layouts, present, choose }: LayoutComparisonProps) {
  const write = useWriter();
  const rows: readonly {
    readonly name: string;
    readonly value: (figures: LayoutFigures) => number;
    readonly text: (figures: LayoutFigures) => string;
  }[] = [
    { name: 'Joints', value: (f) => f.joints, text: (f) => String(f.joints) },
    { name: 'Faces that can leak', value: (f) => f.sealingFaces, text: (f) => String(f.sealingFaces) },
    { name: 'Crush washers', value: (f) => f.washers, text: (f) => String(f.washers) },
    { name: 'Banjo bolts', value: (f) => f.bolts, text: (f) => String(f.bolts) },
    { name: 'Hoses', value: (f) => f.hoses, text: (f) => String(f.hoses) },
    {
      name: 'Hose in all',
      value: (f) => f.hoseLength_m,
      text: (f) => `${f.estimated ? '≈ ' : ''}${write.length(f.hoseLength_m)}`,
    },
    {
      name: 'Longest way less shortest',
      value: (f) => f.mismatch_m,
      text: (f) => write.length(f.mismatch_m),
    },
    {
      name: 'Mass of lines and fittings',
      value: (f) => f.mass_kg,
      text: (f) => write.quantity({ kind: 'mass', value_SI: f.mass_kg }),
    },
    { name: 'Fluid in the lines', value: (f) => f.fill_m3, text: (f) => write.volume(f.fill_m3) },
    { name: 'Swell at 70 bar, at most', value: (f) => f.swell_m3, text: (f) => write.volume(f.swell_m3) },
    { name: 'High points that hold air', value: (f) => f.highPoints, text: (f) => String(f.highPoints) },
    {
      name: 'Strokes to flush',
      value: (f) => f.flushStrokes ?? 0,
      text: (f) => (f.flushStrokes === null ? 'enter the master’s bore and travel' : String(f.flushStrokes)),
    },
  ];
  return (
    <Stack $gap={14}>
      <Drawings layouts={layouts} present={present} />
      <Scroll tabIndex={0} role="region" aria-label="Layouts side by side">
        <Table>
          <colgroup>
            <col className="name" />
            {layouts.map(({ layout }) => (
              <col key={layout} />
            ))}
          </colgroup>
          <thead>
            <tr>
              <td />
              {layouts.map(({ layout }) => (
                <th key={layout} scope="col">
                  {LAYOUT_NAMES[layout]}
                  {layout === present ? <Label style={{ display: 'block' }}>as it was found</Label> : null}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">Best at</th>
              {layouts.map((own) => {
                const others = layouts.filter((other) => other !== own).map(({ figures }) => figures.value);
                const praise = layoutPraise(own.figures.value, others);
                return (
                  <td key={own.layout}>
                    {praise.length === 0 ? 'nothing the others are not' : praise.join(', ')}
                  </td>
                );
              })}
            </tr>
            {rows.map((row) => {
              const values = layouts.map(({ figures }) => row.value(figures.value));
              const least = Math.min(...values);
              const differs = values.some((value) => value > least + 1e-12);
              return (
                <tr key={row.name}>
                  <th scope="row">{row.name}</th>
                  {layouts.map(({ layout, figures }, index) => (
                    <td
                      key={layout}
                      className={`figure ${differs && (values[index] ?? 0) <= least + 1e-12 ? 'best' : ''}`}
                    >
                      {row.text(figures.value)}
                    </td>
                  ))}
                </tr>
              );
            })}
            <tr>
              <th scope="row">How the figures come about</th>
              {layouts.map(({ layout, figures }) => (
                <td key={layout}>
                  <Working of={`layout: ${LAYOUT_NAMES[layout]}`} result={figures} />
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">When it is right</th>
              {layouts.map(({ layout }) => (
                <td key={layout}>{LAYOUT_WHEN[layout]}</td>
              ))}
            </tr>
            <tr>
              <th scope="row">Choose</th>
              {layouts.map((laidOut) => (
                <td key={laidOut.layout}>{choose(laidOut)}</td>
              ))}
            </tr>
          </tbody>
        </Table>
        <Fine style={{ padding: '8px 14px' }}>
          ≈ Lengths of a layout that is not on the vehicle are our estimates from the one that is; they are
          measured before anything is ordered. Masses are our estimates. The swell is the standard’s limit,
          not what a good hose does.
        </Fine>
      </Scroll>
    </Stack>
  );
}

/** The layouts under each other, hoses to one scale. */
function Drawings({
  layouts,
  present,
}: {
  readonly layouts: readonly LaidOut[];
  readonly present: LayoutId | null;
}) {
  const write = useWriter();
  const [ref, width] = useWidth<HTMLDivElement>(Math.min(window.innerWidth, 1400) - 70);
  const drawn = Math.max(width - 2, 980);
  const scale = Math.min(...layouts.map(({ circuit }) => layoutStrip(circuit, drawn).scale_px_per_m));
  return (
    <Scroll ref={ref} tabIndex={0} role="region" aria-label="Layouts drawn to one scale">
      {layouts.map(({ layout, circuit }) => (
        <Drawing key={layout}>
          <h2>
            {LAYOUT_NAMES[layout]}
            {layout === present ? <Label>, as it was found</Label> : null}
          </h2>
          <StripPicture
            circuit={circuit}
            layout={layoutStrip(circuit, drawn - 20, scale)}
            label={LAYOUT_NAMES[layout]}
            lengthText={(length_m) => write.length(length_m)}
          />
        </Drawing>
      ))}
    </Scroll>
  );
}

const Drawing = styled.section`
  padding: 10px 10px 0;
  border-bottom: 1px solid ${colour('hairlineSoft')};
  h2 {
    font-size: ${SIZE.large};
    margin-bottom: -4px;
  }
`;
