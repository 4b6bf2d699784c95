/** A crowfoot or an extension on the wrench: its measures, what to set, and what the joint has. */
import type { Adapter, TorqueRange } from '@zephyrcombe/core';
import { crowfootSetting } from '@zephyrcombe/core';
import { problemText } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Tick } from '../../design/fields.tsx';
import { Figure, Fine, Label, Line, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Working } from '../../quantities/Working.tsx';
import type { TorqueAttempt } from './useTorqueAttempt.ts';

export function AdapterEntry({ attempt }: { readonly attempt: TorqueAttempt }) {
  const { draft, change, adapter, torques } = attempt;
  return (
    <Stack $gap={10}>
      {/* Another lever: what was read from the wrench was read without it. */}
      <Tick
        isSelected={draft.hasAdapter}
        onChange={(hasAdapter) => change({ hasAdapter, readFrom: '', pullId: '' })}
      >
        A crowfoot or an extension is on the wrench
      </Tick>
      {draft.hasAdapter ? (
        <>
          <Line style={{ alignItems: 'start' }}>
            <QuantityEntry
              label="Wrench, middle of the grip to its square"
              value_SI={draft.wrench_m}
              mayBeEmpty
              onValue={(wrench_m) => change({ wrench_m })}
            />
            <QuantityEntry
              label="Crowfoot, square to the middle of the nut"
              value_SI={draft.extension_m}
              mayBeEmpty
              onValue={(extension_m) => change({ extension_m })}
            />
            <QuantityEntry
              label="Angle to the wrench, 0° in line"
              kind="angle"
              allowZero
              allowNegative
              value_SI={draft.angle_rad}
              mayBeEmpty
              onValue={(angle_rad) => change({ angle_rad })}
            />
          </Line>
          {adapter === null || adapter === 'unsaid' ? (
            <Fine>Measure both lengths: what to set follows from them.</Fine>
          ) : (
            <ToSet adapter={adapter} range={torques.governing} />
          )}
        </>
      ) : null}
    </Stack>
  );
}

function ToSet({ adapter, range }: { readonly adapter: Adapter; readonly range: TorqueRange }) {
  const write = useWriter();
  const low = crowfootSetting({ ...adapter, target_Nm: range.minimum_Nm });
  const high = crowfootSetting({ ...adapter, target_Nm: range.maximum_Nm });
  if (!low.ok) return <Fine role="alert">{problemText(low.problem, write)}</Fine>;
  if (!high.ok) return <Fine role="alert">{problemText(high.problem, write)}</Fine>;
  return (
    <Spread>
      <Label>set the wrench to, with it</Label>
      <span>
        <Figure>{write.torqueRange(low.value, high.value)}</Figure>{' '}
        <Working of="wrench setting" result={high} />
      </span>
    </Spread>
  );
}
