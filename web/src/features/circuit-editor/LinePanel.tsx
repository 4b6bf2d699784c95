/** One hose or hard line: length, bore, what it is made of, its date, and what can be made of it. */
import type { Construction, HydraulicLine } from '@zephyrcombe/core';
import { changeLine, CONSTRUCTIONS, insertJunction, removeLine, replaceLine } from '@zephyrcombe/core';
import { LINE_NAMES } from '@zephyrcombe/messages';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField, Tick } from '../../design/fields.tsx';
import { Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { DateCodeEntry } from './DateCodeEntry.tsx';
import type { PanelProps } from './PartPanel.tsx';

const CONSTRUCTION_NAMES: Readonly<Record<Construction, string>> = { braided: 'braided', rubber: 'rubber' };

interface LinePanelProps extends PanelProps {
  readonly line: HydraulicLine;
}

export function LinePanel({ circuit, line, onChange }: LinePanelProps) {
  const set = (change: Partial<Omit<HydraulicLine, 'id' | 'fromJointId' | 'toJointId'>>, field?: string) =>
    onChange(changeLine(circuit, line.id, change), field && `${line.id} ${field}`);
  const isHose = line.kind === 'hose';
  return (
    <Sheet>
      <SheetTitle>{isHose ? 'Hose' : 'Hard line'}</SheetTitle>
      <Stack $gap={10}>
        <TextField
          label="Name"
          value={line.name}
          onChange={(name) => set({ name }, 'name')}
          error={line.name.trim() === '' ? 'A line needs a name.' : null}
        />
        <QuantityEntry
          key={`${line.id} length`}
          label={isHose ? 'Length between its sealing points, as fitted' : 'Length along its bends'}
          kind="length"
          value_SI={line.length_m}
          onValue={(length_m) =>
            length_m === null ? undefined : set({ length_m, estimated: false }, 'length')
          }
        />
        <Tick isSelected={!line.estimated} onChange={(measured) => set({ estimated: !measured })}>
          Measured, not guessed
        </Tick>
        <QuantityEntry
          key={`${line.id} bore`}
          label="Bore"
          kind="length"
          value_SI={line.bore_m}
          onValue={(bore_m) => (bore_m === null ? undefined : set({ bore_m }, 'bore'))}
        />
        {isHose ? (
          <>
            <ChoiceRow<Construction>
              label="Made of"
              value={line.construction}
              options={CONSTRUCTIONS.map((construction) => ({
                value: construction,
                text: CONSTRUCTION_NAMES[construction],
              }))}
              onChange={(construction) => set({ construction })}
            />
            <DateCodeEntry
              key={`${line.id} date`}
              madeOn={line.madeOn}
              construction={line.construction}
              onDate={(madeOn) => set({ madeOn })}
            />
          </>
        ) : null}
        <QuantityEntry
          key={`${line.id} rise`}
          label="Arches above its higher end by (air gathers there)"
          kind="length"
          value_SI={line.rise_m}
          onValue={(rise_m) => set({ rise_m }, 'rise')}
          mayBeEmpty
        />
        <Line>
          <PlainButton onPress={() => onChange(insertJunction(circuit, newId, line.id).circuit)}>
            Insert a junction
          </PlainButton>
          <PlainButton onPress={() => onChange(replaceLine(circuit, line.id, isHose ? 'hardLine' : 'hose'))}>
            Replace by a {LINE_NAMES[isHose ? 'hardLine' : 'hose']}
          </PlainButton>
        </Line>
        <div>
          <TextButton onPress={() => onChange(removeLine(circuit, line.id))}>
            Take {line.name || 'it'} out
          </TextButton>
        </div>
      </Stack>
    </Sheet>
  );
}
