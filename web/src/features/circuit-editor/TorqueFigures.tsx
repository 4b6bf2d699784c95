/** The torque figures of a joint: whose they are, and for which part. */
import { torqueOf } from '@zephyrcombe/contract';
import { MATERIAL_NAMES, TORQUE_PART_NAMES, torqueSourceName } from '@zephyrcombe/messages';
import type { HydraulicJoint, JointMaterial, PartTorque, TorquePart } from '@zephyrcombe/core';
import { JOINT_MATERIALS, TORQUE_PARTS } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Line, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';

interface TorqueProps {
  readonly joint: HydraulicJoint;
  readonly onTorque: (torque: HydraulicJoint['torque'], field: string) => void;
}

const SOURCES_OF_TORQUE = [
  { value: '', text: 'nobody’s yet: not to be relied on' },
  { value: 'vehicleMaker', text: 'vehicle maker’s manual' },
  { value: 'hoseMaker', text: 'hose maker’s sheet' },
] as const;
type Source = (typeof SOURCES_OF_TORQUE)[number]['value'];

interface ForBoltProps {
  readonly metal: JointMaterial | null;
  readonly onMetal: (metal: JointMaterial | null) => void;
}

/** The bolt that a vehicle maker's figure was given for: asked, never taken from the bolt that is drawn. */
const ForBolt = ({ metal, onMetal }: ForBoltProps) => (
  <Pick<JointMaterial | ''>
    label="Bolt the figure was given for"
    value={metal ?? ''}
    options={[
      { value: '', text: 'not said yet' },
      ...JOINT_MATERIALS.map((known) => ({ value: known, text: MATERIAL_NAMES[known] })),
    ]}
    onChange={(picked) => onMetal(picked === '' ? null : picked)}
  />
);

/**
 * The figures somebody vouches for, or nobody's until the sheet has been read. Naming a source does not make our default that
 * source's: its figures are typed from it.
 */
export function Torque({ joint, onTorque }: TorqueProps) {
  const { torque } = joint;
  const upsideDown = torque.minimum_Nm > torque.maximum_Nm;
  const [reading, setReading] = useState<Exclude<Source, ''> | null>(null);
  const [low, setLow] = useState<number | null>(null);
  const [high, setHigh] = useState<number | null>(null);
  const [forBolt, setForBolt] = useState<JointMaterial | null>(null);
  const take = (minimum_Nm: number | null, maximum_Nm: number | null) => {
    setLow(minimum_Nm);
    setHigh(maximum_Nm);
    if (reading === null || minimum_Nm === null || maximum_Nm === null || minimum_Nm > maximum_Nm) return;
    onTorque({ minimum_Nm, maximum_Nm, source: reading, forBolt }, 'torque');
    setReading(null);
  };
  const begin = (source: Source) => {
    setReading(source === '' ? null : source);
    setLow(null);
    setHigh(null);
    setForBolt(null);
    if (source === '') onTorque({ ...torque, source: null, forBolt: null }, 'torque source');
  };
  const hasBolt = joint.seal === 'banjo';
  return (
    <Stack $gap={6}>
      <Pick<Source>
        label="Whose torque figure it is"
        value={
          reading ?? (torque.source === 'vehicleMaker' || torque.source === 'hoseMaker' ? torque.source : '')
        }
        options={SOURCES_OF_TORQUE}
        onChange={begin}
      />
      {reading === null ? (
        <>
          {hasBolt && torque.source === 'vehicleMaker' ? (
            <ForBolt
              metal={torque.forBolt}
              onMetal={(metal) => onTorque({ ...torque, forBolt: metal }, 'torque bolt')}
            />
          ) : null}
          <QuantityEntry
            key={`${joint.id} torque from`}
            label="Torque, from"
            kind="torque"
            value_SI={torque.minimum_Nm}
            onValue={(minimum_Nm) =>
              minimum_Nm === null ? undefined : onTorque({ ...torque, minimum_Nm }, 'torque from')
            }
          />
          <QuantityEntry
            key={`${joint.id} torque to`}
            label="Torque, to"
            kind="torque"
            value_SI={torque.maximum_Nm}
            onValue={(maximum_Nm) =>
              maximum_Nm === null ? undefined : onTorque({ ...torque, maximum_Nm }, 'torque to')
            }
          />
        </>
      ) : (
        <>
          <Fine>
            Type both figures from that sheet: what stood here was{' '}
            {torque.source === null ? 'our default' : `from the ${torqueSourceName(torque.source)}`}.
          </Fine>
          {hasBolt && reading === 'vehicleMaker' ? <ForBolt metal={forBolt} onMetal={setForBolt} /> : null}
          <QuantityEntry
            key={`${joint.id} ${reading} from`}
            label="Torque, from, as it says"
            kind="torque"
            value_SI={low}
            onValue={(value) => take(value, high)}
            mayBeEmpty
          />
          <QuantityEntry
            key={`${joint.id} ${reading} to`}
            label="Torque, to, as it says"
            kind="torque"
            value_SI={high}
            onValue={(value) => take(low, value)}
            mayBeEmpty
          />
        </>
      )}
      {upsideDown || (low !== null && high !== null && low > high) ? (
        <Fine role="alert">The lower figure is above the upper one: type them again.</Fine>
      ) : null}
    </Stack>
  );
}

interface FurtherTorquesProps {
  readonly joint: HydraulicJoint;
  readonly onFigures: (figures: readonly PartTorque[]) => void;
}

const PARTS = TORQUE_PARTS.map((part) => ({ value: part, text: TORQUE_PART_NAMES[part] }));
const MOST_FIGURES = 4;

/** Figures for other parts that may be in the joint: kept apart, each with its source. */
export function FurtherTorques({ joint, onFigures }: FurtherTorquesProps) {
  const write = useWriter();
  const { furtherTorques } = joint;
  const [part, setPart] = useState<TorquePart>('kit');
  const [source, setSource] = useState<'vehicleMaker' | 'hoseMaker'>('hoseMaker');
  const [low, setLow] = useState<number | null>(null);
  const [high, setHigh] = useState<number | null>(null);
  const [isAdding, setAdding] = useState(false);
  const [forBolt, setForBolt] = useState<JointMaterial | null>(null);
  const asksBolt = joint.seal === 'banjo' && part === 'joint' && source === 'vehicleMaker';
  const { governing } = torqueOf(joint);
  const add = () => {
    if (low === null || high === null) return;
    const figure = { part, source, minimum_Nm: low, maximum_Nm: high, isFitted: true };
    onFigures([...furtherTorques, { ...figure, forBolt: asksBolt ? forBolt : null }]);
    setLow(null);
    setHigh(null);
    setAdding(false);
  };
  return (
    <Stack $gap={6}>
      {furtherTorques.map((figure, index) => (
        <Spread key={`${figure.part} ${index}`}>
          <Tick
            isSelected={figure.isFitted}
            onChange={(isFitted) =>
              onFigures(furtherTorques.map((other) => (other === figure ? { ...figure, isFitted } : other)))
            }
          >
            {write.torqueRange(figure.minimum_Nm, figure.maximum_Nm)} for {TORQUE_PART_NAMES[figure.part]},{' '}
            {torqueSourceName(figure.source)}: that part is fitted
          </Tick>
          <TextButton onPress={() => onFigures(furtherTorques.filter((other) => other !== figure))}>
            remove
          </TextButton>
        </Spread>
      ))}
      {furtherTorques.length > 0 ? (
        <Fine>
          {write.torqueRange(governing.minimum_Nm, governing.maximum_Nm)} governs: the weakest part that is
          fitted, {TORQUE_PART_NAMES[governing.part]}.
        </Fine>
      ) : null}
      {isAdding ? (
        <>
          <Pick<TorquePart> label="The figure is for" value={part} options={PARTS} onChange={setPart} />
          <Pick
            label="Where it stands"
            value={source}
            options={[
              { value: 'vehicleMaker' as const, text: 'vehicle maker’s manual' },
              { value: 'hoseMaker' as const, text: 'sheet of the hose or bolt maker' },
            ]}
            onChange={setSource}
          />
          {asksBolt ? <ForBolt metal={forBolt} onMetal={setForBolt} /> : null}
          <QuantityEntry label="From" kind="torque" value_SI={low} onValue={setLow} mayBeEmpty />
          <QuantityEntry label="To" kind="torque" value_SI={high} onValue={setHigh} mayBeEmpty />
          <Line>
            <PlainButton
              because={
                low === null || high === null
                  ? 'Type both figures.'
                  : low > high
                    ? 'The lower figure is above the upper one.'
                    : null
              }
              onPress={add}
            >
              Add this figure
            </PlainButton>
            <TextButton onPress={() => setAdding(false)}>leave it</TextButton>
          </Line>
        </>
      ) : furtherTorques.length < MOST_FIGURES ? (
        <TextButton onPress={() => setAdding(true)}>Add a torque figure for another part</TextButton>
      ) : null}
    </Stack>
  );
}
