/** Searches the bends on offer, turned and at several lengths, for the best worst pose; what is found can be looked at. */
import type { FoundFitting, Scene, SceneHose } from '@zephyrcombe/core';
import { EXAMPLE_BENDS_deg } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { useState } from 'react';
import { Checkbox, CheckboxGroup, Label as AriaLabel, ProgressBar } from 'react-aria-components';
import styled from 'styled-components';
import { FigureTable } from '../../../design/FigureTable.ts';
import { useWriter } from '../../../app/SessionContext.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../../design/Button.tsx';
import { Tick } from '../../../design/fields.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { colour } from '../../../design/tokens.ts';
import { useFinder } from '../engine/useFinder.ts';
import { rangeText } from '../words.ts';

interface FittingFinderProps {
  readonly scene: Scene;
  /** Puts what was found on the bench. */
  readonly onLook: (hose: SceneHose) => void;
  /** Whether there is a job to hand the choice to. */
  readonly canHand: boolean;
  readonly onHand: (found: FoundFitting) => void;
}

const Bends = styled(CheckboxGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  label {
    border: 1px solid ${colour('hairline')};
    padding: 8px 12px;
    min-height: 44px;
    min-width: 52px;
    display: inline-flex;
    align-items: center;
    justify-content: center;
    cursor: pointer;
  }
  label[data-selected] {
    border-color: ${colour('ink')};
    box-shadow: inset 0 -4px 0 ${colour('brass')};
    font-weight: 600;
  }
  label[data-focus-visible] {
    outline: 2px solid ${colour('action')};
    outline-offset: 2px;
  }
`;

const Bar = styled.div<{ $share: number }>`
  height: 10px;
  border: 1px solid ${colour('ink')};
  background: linear-gradient(
    to right,
    ${colour('brass')} ${({ $share }) => $share * 100}%,
    transparent ${({ $share }) => $share * 100}%
  );
`;

const Scroll = styled.div`
  overflow-x: auto;
`;

const Table = styled(FigureTable)`
  th,
  td {
    white-space: nowrap;
  }
`;
export function FittingFinder({ scene, onLook, canHand, onHand }: FittingFinderProps) {
  const write = useWriter();
  const finder = useFinder();
  const [bends, setBends] = useState<readonly string[]>(EXAMPLE_BENDS_deg.map(String));
  const [startTurns, setStartTurns] = useState(true);
  const [endTurns, setEndTurns] = useState(true);
  const { progress, isSearching, wrong } = finder;
  const found = progress?.found ?? [];
  const offer = { bends_deg: bends.map(Number).sort((a, b) => a - b), startTurns, endTurns };
  return (
    <Sheet>
      <SheetTitle>Which ends suit this route?</SheetTitle>
      <Stack $gap={12}>
        <Fine>
          Every pair of bends is turned round its bolts and tried over the whole movement at several lengths.
          What leaves the best worst pose comes first.
        </Fine>
        <Bends value={[...bends]} onChange={setBends}>
          <AriaLabel style={{ border: 0, padding: 0, minWidth: 0 }}>Bends on offer</AriaLabel>
          {EXAMPLE_BENDS_deg.map((bend) => (
            <Checkbox key={bend} value={String(bend)}>
              {bend}°
            </Checkbox>
          ))}
        </Bends>
        <Line $gap={22}>
          <Tick isSelected={startTurns} onChange={setStartTurns}>
            The first end may be turned
          </Tick>
          <Tick isSelected={endTurns} onChange={setEndTurns}>
            The far end may be turned
          </Tick>
          {isSearching ? (
            <PlainButton onPress={() => finder.stop()}>Stop the search</PlainButton>
          ) : (
            <PrimaryButton
              because={bends.length === 0 ? 'Tick at least one bend that the supplier offers.' : null}
              onPress={() => finder.search(scene, offer)}
            >
              Search the ends
            </PrimaryButton>
          )}
        </Line>
        {isSearching ? (
          <ProgressBar
            value={Math.round((progress?.done ?? 0) * 100)}
            aria-label="Search for ends"
            valueLabel={`${Math.round((progress?.done ?? 0) * 100)} %`}
          >
            <Bar $share={progress?.done ?? 0} />
          </ProgressBar>
        ) : null}
        {wrong === null ? null : (
          <Notice severity="warn" title="The search broke off" live>
            <p>{wrong}</p>
          </Notice>
        )}
        {found.length > 0 ? (
          <>
            <Scroll>
              <Table aria-label="Ends found">
                <thead>
                  <tr>
                    <th scope="col">first end, far end</th>
                    <th scope="col">turned by</th>
                    <th scope="col">length</th>
                    <th scope="col">window, about</th>
                    <th scope="col">tightest bend</th>
                    <th scope="col">room to spare</th>
                    <th scope="col">twist by movement</th>
                    <th scope="col">
                      <span aria-hidden="true" />
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {found.map((one) => (
                    <tr key={`${one.start.bend_deg} ${one.end.bend_deg}`}>
                      <th scope="row">
                        {one.start.bend_deg}°, {one.end.bend_deg}°{one.holds ? '' : ', does not hold'}
                      </th>
                      <td>
                        {turnText(one.start.turn_rad)}, {turnText(one.end.turn_rad)}
                      </td>
                      <td>{write.length(one.hose.length_m)}</td>
                      <td>{windowOf(one, write)}</td>
                      <td>{one.radius_m === null ? 'none' : write.length(one.radius_m)}</td>
                      <td>{one.spare_m === null ? '–' : write.length(one.spare_m)}</td>
                      <td>{one.twist_rad === null ? '–' : write.angle(one.twist_rad)}</td>
                      <td>
                        <Line $gap={10}>
                          <TextButton onPress={() => onLook(one.hose)}>look at it</TextButton>
                          {canHand ? (
                            <TextButton onPress={() => onHand(one)}>hand to Specify</TextButton>
                          ) : null}
                        </Line>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </Scroll>
            <Fine>
              Turned from how the end points now, seen with the bolt pointing at you, against the clock. The
              neck is taken as straight behind its port: an estimate, to be offered up on the vehicle.
              {finder.scene === scene ? '' : ' The route was changed since: search again.'}
            </Fine>
          </>
        ) : progress?.done === 1 ? (
          <Fine>Nothing on offer gives this hose a shape. Change the length, or where it is held.</Fine>
        ) : null}
      </Stack>
    </Sheet>
  );
}

/** From −180° to 180°. */
function turnText(turn_rad: number): string {
  const degrees = Math.round((turn_rad * 180) / Math.PI);
  const turn = ((((degrees + 180) % 360) + 360) % 360) - 180;
  return `${turn === -180 ? 180 : turn}°`.replace('-', '−');
}

const windowOf = ({ short_m, long_m, shortIsOpen, longIsOpen }: FoundFitting, write: Writer): string =>
  short_m === null || long_m === null
    ? 'none'
    : rangeText({ short_m, long_m }, { shortIsOpen, longIsOpen }, write);
