/** One length as every datum counts it, placed on the drawing of its hose. */
import type { Writer } from '@zephyrcombe/messages';
import { datumName } from '@zephyrcombe/messages';
import type { EndGeometry, LengthPoint } from '@zephyrcombe/core';
import type { DrawnLength } from './HoseDrawing.tsx';
import { datumsFor, inDatum, restsOnAssumed } from './measureView.ts';

interface Ends {
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
}

const inset_m = (point: LengthPoint, end: EndGeometry): number =>
  point === 'behindNeck'
    ? end.neckLength_m
    : point === 'ferruleFace'
      ? end.ferruleToApex_m + end.apexToPoint_m
      : 0;

/** `length_m` lies between the sealing points. */
export const drawnLengths = (ends: Ends, length_m: number, write: Writer): readonly DrawnLength[] =>
  datumsFor(ends).flatMap((datum) => {
    const converted = inDatum(ends, length_m, datum);
    return converted.ok
      ? [
          {
            key: datum.endA + datum.endB,
            insetA_m: inset_m(datum.endA, ends.endA),
            insetB_m: inset_m(datum.endB, ends.endB),
            figure: write.length(converted.value.length_m),
            datum: datumName(datum),
            isAssumed: restsOnAssumed(ends, datum),
          },
        ]
      : [];
  });
