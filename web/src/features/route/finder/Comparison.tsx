/** A candidate laid aside, beside the one on the bench: what each costs. */
import type { CornerHose, RouteProof, Scene } from '@zephyrcombe/core';
import { lyingOf } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { clockingText } from '@zephyrcombe/messages';
import { useMemo } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../../design/Button.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../../design/layout.ts';
import { SIZE, colour } from '../../../design/tokens.ts';
import type { FoundWindow, RouteFrame } from '../engine/compute.ts';
import { useProof, useWindow } from '../job/useWindow.ts';
import { poseText, REASON_WORDS, windowText } from '../words.ts';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
  th,
  td {
    text-align: left;
    padding: 5px 12px 5px 0;
    border-bottom: 1px solid ${colour('hairlineSoft')};
    font-weight: 400;
  }
  tbody th {
    color: ${colour('inkSoft')};
    font-size: ${SIZE.small};
  }
`;

interface ComparisonProps {
  readonly scene: Scene;
  readonly hose: CornerHose;
  readonly frame: RouteFrame | null;
  readonly window: FoundWindow | null | undefined;
  /** Null as long as nothing is laid aside. */
  readonly aside: CornerHose | null;
  readonly onAside: (aside: CornerHose | null) => void;
  /** Puts the other one on the bench and lays this one aside. */
  readonly onSwap: () => void;
}

export function Comparison({ scene, hose, frame, window, aside, onAside, onSwap }: ComparisonProps) {
  return (
    <Sheet>
      <SheetTitle>Two candidates side by side</SheetTitle>
      {aside ? (
        <Compared
          scene={scene}
          hose={hose}
          proof={frame?.proof.ok ? frame.proof.value : null}
          window={window}
          aside={aside}
          onAside={onAside}
          onSwap={onSwap}
        />
      ) : (
        <Stack $gap={8}>
          <Fine>
            Lay this hose aside, then change its length, ends or clips: both are shown, and drawn dashed and
            firm.
          </Fine>
          <div>
            <PlainButton onPress={() => onAside(hose)}>Lay this one aside</PlainButton>
          </div>
        </Stack>
      )}
    </Sheet>
  );
}

interface ComparedProps extends Omit<ComparisonProps, 'frame' | 'aside'> {
  readonly proof: RouteProof | null;
  readonly aside: CornerHose;
}

function Compared({ scene, hose, proof, window, aside, onAside, onSwap }: ComparedProps) {
  const write = useWriter();
  const { rig, keepOuts } = scene;
  const asideScene = useMemo(() => ({ rig, keepOuts, hose: aside }), [rig, keepOuts, aside]);
  const asideProof = useProof(asideScene);
  const asideWindow = useWindow(asideScene).window;
  const one = asideProof?.ok ? asideProof.value : null;
  const rows: readonly (readonly [string, string, string])[] = [
    ['length', write.length(aside.length_m), write.length(hose.length_m)],
    ['length window', windowText(asideWindow, write), windowText(window, write)],
    ...FIGURES.map(
      ([name, figure]) =>
        [name, one ? figure(one, scene, write) : '…', proof ? figure(proof, scene, write) : '…'] as const,
    ),
  ];
  return (
    <Stack $gap={10}>
      <Table>
        <thead>
          <tr>
            <th scope="col">
              <span aria-hidden="true" />
            </th>
            <th scope="col">laid aside, dashed</th>
            <th scope="col">on the bench</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, left, right]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{left}</td>
              <td>{right}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Line>
        <PlainButton onPress={onSwap}>Change places</PlainButton>
        <TextButton onPress={() => onAside(null)}>put it away</TextButton>
      </Line>
    </Stack>
  );
}

type FigureOf = (proof: RouteProof, scene: Scene, write: Writer) => string;

const FIGURES: readonly (readonly [string, FigureOf])[] = [
  ['over the movement', (proof) => (proof.holds ? 'holds' : REASON_WORDS[proof.reason])],
  [
    'tightest bend',
    ({ radius_m }, { rig }, write) =>
      radius_m ? `${write.length(radius_m.value)}, ${poseText(rig, radius_m.pose, write)}` : 'none to show',
  ],
  [
    'nearest part',
    ({ room }, { rig, keepOuts }, write) =>
      room
        ? `${write.length(room.gap_m)}, ${keepOuts[room.keepOut]?.name.toLowerCase() ?? ''}, ${poseText(rig, room.pose, write)}`
        : 'none entered',
  ],
  ['straight distance / hose length', ({ chordRatio }, _scene, write) => write.fraction(chordRatio.value)],
  [
    'clocking, untwisted',
    ({ clocking_rad }, { hose }, write) =>
      clockingText({ endA: lyingOf(hose.start), endB: lyingOf(hose.end), clocking_rad }, write),
  ],
  [
    'twist by movement',
    ({ imposedTwist_rad }, _scene, write) =>
      imposedTwist_rad === null ? 'none' : write.angle(imposedTwist_rad),
  ],
];
