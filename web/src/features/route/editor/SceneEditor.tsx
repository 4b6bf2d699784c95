/** The corner in figures: holds of the hose, parts in the way, and how it moves. Everything a tape can read. */
import type { Corner, CornerHose, KeepOut, RigBody, RigPose, Vector } from '@zephyrcombe/core';
import { BODIES_OF, NATURES, placementOf, TAKE_OFF_SOURCES } from '@zephyrcombe/core';
import { TAKE_OFF_SOURCE_NAMES } from '@zephyrcombe/messages';
import { useCallback } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../../design/Button.tsx';
import { TextField, Tick } from '../../../design/fields.tsx';
import { Pick } from '../../../design/Pick.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack, Unseen } from '../../../design/layout.ts';
import { colour, FONT, SIZE } from '../../../design/tokens.ts';
import { QuantityEntry } from '../../../quantities/QuantityEntry.tsx';
import type { RouteAction, RouteState } from '../bench/benchState.ts';
import { CsvRow } from './CsvRow.tsx';
import { CoordinateField } from './CoordinateField.tsx';
import { DirectionField } from './DirectionField.tsx';
import { RigDimensions } from '../dimensions/RigDimensions.tsx';
import { middleOf, replaced, toRest } from '../drawing/placing.ts';
import type { PointRow, SizeRow } from './sceneRows.ts';
import {
  clipName,
  hosePoints,
  hosePut,
  hoseSizes,
  partPoints,
  partPut,
  partSizes,
  rigPoints,
  rigSizes,
} from './sceneRows.ts';

const Scroll = styled.div`
  overflow-x: auto;
  position: relative;
`;

const Table = styled.table`
  border-collapse: collapse;
  font-size: ${SIZE.small};
  th {
    text-align: left;
    font-weight: 400;
    color: ${colour('inkSoft')};
    padding: 4px 8px 4px 0;
    white-space: nowrap;
  }
  td {
    padding: 3px 6px 3px 0;
    border-top: 1px solid ${colour('hairlineSoft')};
  }
  td:first-child {
    min-width: 150px;
  }
  input {
    font-family: ${FONT.figures};
  }
`;

const Sizes = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 6px 18px;
  align-items: end;
`;

const Holds = styled.ul`
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 8px 24px;
  li {
    display: flex;
    align-items: end;
    gap: 12px;
    flex-wrap: wrap;
  }
`;

/** Changes the corner as it is by then: a table may lag behind what is typed into it. */
type Change = (edit: (corner: Corner) => Corner, field: string) => void;

const BODY_NAMES: Readonly<Record<RigBody, string>> = {
  frame: 'frame',
  bars: 'bars and yokes',
  sliders: 'sliders and wheel',
  sidecarArm: 'sidecar’s arm',
  swingArm: 'swing-arm',
  knuckle: 'knuckle',
  axle: 'axle',
};
const CLIP_KINDS = [
  { value: 'grips', text: 'grips the hose' },
  { value: 'slides', text: 'a guide: the hose slides in it' },
] as const;
/** A new one is this long, or half of the room there is. */
const STIFFENER_m = 0.05;
const SLEEVE_m = 0.12;
const SLEEVE_WALL_m = 0.0015;
const NATURE_NAMES = {
  hot: 'hot',
  moving: 'moving',
  still: 'still',
  service: 'to be reached: pad pin, nipple',
} as const;

interface SceneEditorProps {
  readonly state: RouteState;
  readonly dispatch: (action: RouteAction) => void;
  /** The hose in the pose looked at, to set a new clip or part beside; asked for when it is needed, not shown. */
  readonly lineNow: () => Float32Array | null;
}

export function SceneEditor({ state, dispatch, lineNow }: SceneEditorProps) {
  const { corner } = state;
  const hose = corner.hoses.find(({ id }) => id === state.hoseId);
  const change = useCallback<Change>((edit, field) => dispatch({ type: 'edit', edit, field }), [dispatch]);
  const changeHose = (edit: (own: CornerHose) => CornerHose, field: string) =>
    change((now) => {
      const own = ownHose(now);
      return own ? hosePut(now, edit(own)) : now;
    }, field);
  const ownHose = (now: Corner) => now.hoses.find(({ id }) => id === state.hoseId);
  if (!hose) return null;
  const bodies = BODIES_OF[corner.rig.kind];
  return (
    <Stack $gap={18}>
      <RigDimensions corner={corner} hose={hose} onChange={change} />
      <Sheet>
        <SheetTitle>Where the hose is held</SheetTitle>
        <Fine>
          Measured straight ahead at full droop: x forward, y to the left, z up, from one point of your choice
          (the steering head or the wheel’s centre serve well). “Points” is the way the hose leaves.
        </Fine>
        <Points corner={corner} rowsOf={pointsOfHose(state.hoseId)} bodies={bodies} onChange={change} />
        <SizesOf corner={corner} rowsOf={sizesOfHose(state.hoseId)} onChange={change} />
        <div style={{ marginTop: 10, maxWidth: 300 }}>
          <Pick
            label="Its outside and least radius are from"
            value={hose.figuresFrom ?? 'example'}
            options={TAKE_OFF_SOURCES.map((value) => ({ value, text: TAKE_OFF_SOURCE_NAMES[value] }))}
            onChange={(figuresFrom) =>
              change((now) => {
                const own = ownHose(now);
                return own ? hosePut(now, { ...own, figuresFrom }) : now;
              }, 'figures from')
            }
          />
        </div>
        <Line style={{ marginTop: 10 }}>
          <PlainButton
            because={hose.clips.length >= 12 ? 'A hose takes 12 clips here.' : null}
            onPress={() =>
              change((now) => {
                const own = ownHose(now);
                return own ? withClip(now, state.pose, own, lineNow()) : now;
              }, 'clip added')
            }
          >
            Add a clip where the hose lies
          </PlainButton>
          <PlainButton
            because={(hose.stiffeners?.length ?? 0) >= 6 ? 'A hose takes 6 stiffeners here.' : null}
            onPress={() => changeHose(withStiffener, 'stiffener added')}
          >
            Add a stiffener
          </PlainButton>
          <PlainButton
            because={(hose.sleeves?.length ?? 0) >= 6 ? 'A hose takes 6 sleeves here.' : null}
            onPress={() => changeHose(withSleeve, 'sleeve added')}
          >
            Add a sleeve
          </PlainButton>
        </Line>
        {hose.clips.length > 0 || hose.stiffeners?.length || hose.sleeves?.length ? (
          <Holds aria-label="Clips, stiffeners and sleeves">
            {hose.clips.map((clip) => (
              <li key={clip.id}>
                <Pick<'grips' | 'slides'>
                  label={`Clip ${clip.id}`}
                  value={clip.slides ? 'slides' : 'grips'}
                  options={CLIP_KINDS}
                  onChange={(kind) =>
                    changeHose(
                      (own) => ({
                        ...own,
                        clips: own.clips.map((other) =>
                          other.id === clip.id ? { ...other, slides: kind === 'slides' } : other,
                        ),
                      }),
                      `clip ${clip.id} kind`,
                    )
                  }
                />
                <TextButton
                  onPress={() =>
                    changeHose(
                      (own) => ({ ...own, clips: own.clips.filter(({ id }) => id !== clip.id) }),
                      'clip removed',
                    )
                  }
                >
                  take {clipName(clip)} off
                </TextButton>
              </li>
            ))}
            {(hose.stiffeners ?? []).map(({ id }) => (
              <li key={`stiffener ${id}`}>
                <span>Stiffener {id}: straight and rigid</span>
                <TextButton
                  onPress={() =>
                    changeHose(
                      (own) => ({ ...own, stiffeners: own.stiffeners?.filter((other) => other.id !== id) }),
                      'stiffener removed',
                    )
                  }
                >
                  take stiffener {id} off
                </TextButton>
              </li>
            ))}
            {(hose.sleeves ?? []).map(({ id }) => (
              <li key={`sleeve ${id}`}>
                <span>Sleeve {id}: what stands still may touch it</span>
                <TextButton
                  onPress={() =>
                    changeHose(
                      (own) => ({ ...own, sleeves: own.sleeves?.filter((other) => other.id !== id) }),
                      'sleeve removed',
                    )
                  }
                >
                  take sleeve {id} off
                </TextButton>
              </li>
            ))}
          </Holds>
        ) : null}
      </Sheet>
      <Sheet>
        <SheetTitle>What stands in the way</SheetTitle>
        {corner.keepOuts.length === 0 ? (
          <Fine>Nothing yet: add tyre, exhaust, damper, whatever the hose must not touch.</Fine>
        ) : null}
        <Stack $gap={14}>
          {corner.keepOuts.map((part) => (
            <Stack $gap={6} key={part.id}>
              <Line $gap={12}>
                <div style={{ flex: '1 1 180px' }}>
                  <TextField
                    label="Part"
                    value={part.name}
                    onChange={(name) => change((now) => partWith(now, part.id, { name }), `${part.id} name`)}
                  />
                </div>
                <div style={{ flex: '0 1 150px' }}>
                  <Pick<KeepOut['nature']>
                    label="It is"
                    value={part.nature}
                    options={NATURES.map((value) => ({ value, text: NATURE_NAMES[value] }))}
                    onChange={(nature) =>
                      change((now) => partWith(now, part.id, { nature }), `${part.id} nature`)
                    }
                  />
                </div>
                {part.nature === 'still' ? (
                  <Tick
                    isSelected={part.sleeved ?? false}
                    onChange={(sleeved) =>
                      change((now) => partWith(now, part.id, { sleeved }), `${part.id} grommet`)
                    }
                  >
                    grommet or edge guard there<Unseen>, {part.name}</Unseen>
                  </Tick>
                ) : null}
                <TextButton
                  onPress={() =>
                    change(
                      (now) => ({ ...now, keepOuts: now.keepOuts.filter(({ id }) => id !== part.id) }),
                      'part removed',
                    )
                  }
                >
                  remove<Unseen> {part.name}</Unseen>
                </TextButton>
              </Line>
              <Points corner={corner} rowsOf={pointsOfPart(part.id)} bodies={bodies} onChange={change} />
              <SizesOf corner={corner} rowsOf={sizesOfPart(part.id)} onChange={change} />
            </Stack>
          ))}
        </Stack>
        <Line style={{ marginTop: 10 }}>
          {(['capsule', 'sphere', 'ring', 'box'] as const).map((shape) => (
            <PlainButton
              key={shape}
              because={corner.keepOuts.length >= 24 ? 'A corner takes 24 parts here.' : null}
              onPress={() => change((now) => withPart(now, shape, lineNow()), 'part added')}
            >
              {
                { capsule: 'Add a tube or rod', sphere: 'Add a ball', ring: 'Add a tyre', box: 'Add a box' }[
                  shape
                ]
              }
            </PlainButton>
          ))}
        </Line>
      </Sheet>
      <Sheet>
        <SheetTitle>How it moves</SheetTitle>
        <Points corner={corner} rowsOf={rigPoints} bodies={bodies} onChange={change} />
        <SizesOf corner={corner} rowsOf={rigSizes} onChange={change} />
        <CsvRow corner={corner} onCorner={(next) => change(() => next, `csv ${Date.now()}`)} />
      </Sheet>
    </Stack>
  );
}

/** In the middle of the longest piece that neither a clip nor another stiffener takes up. */
function withStiffener(hose: CornerHose): CornerHose {
  const stiffeners = hose.stiffeners ?? [];
  const taken = [
    [0, hose.start.rigid_m],
    ...hose.clips.map(({ at_m }) => [at_m, at_m]),
    ...stiffeners.map(({ from_m, length_m }) => [from_m, from_m + length_m]),
    [hose.length_m - hose.end.rigid_m, hose.length_m],
  ].sort(([a = 0], [b = 0]) => a - b);
  const free = taken.slice(1).map(([to = 0], index) => [taken[index]?.[1] ?? 0, to] as const);
  const [from_m, to_m] = free.reduce((best, other) =>
    other[1] - other[0] > best[1] - best[0] ? other : best,
  );
  const length_m = round(Math.min(STIFFENER_m, (to_m - from_m) / 2));
  const stiff = { id: nextId(stiffeners), from_m: round((from_m + to_m - length_m) / 2), length_m };
  return { ...hose, stiffeners: [...stiffeners, stiff].sort((a, b) => a.from_m - b.from_m) };
}

/** Over the middle of the hose, to be moved to where it chafes. */
function withSleeve(hose: CornerHose): CornerHose {
  const sleeves = hose.sleeves ?? [];
  const length_m = round(Math.min(SLEEVE_m, hose.length_m / 3));
  const sleeve = {
    id: nextId(sleeves),
    from_m: round((hose.length_m - length_m) / 2),
    length_m,
    outside_m: round(hose.outside_m + 2 * SLEEVE_WALL_m),
  };
  return { ...hose, sleeves: [...sleeves, sleeve] };
}

function nextId(all: readonly { readonly id: string }[]): string {
  let number = 1;
  while (all.some(({ id }) => id === String(number))) number += 1;
  return String(number);
}

const partWith = (corner: Corner, id: string, change: Partial<KeepOut>): Corner => {
  const part = corner.keepOuts.find((candidate) => candidate.id === id);
  return part ? partPut(corner, { ...part, ...change }) : corner;
};

const pointsOfHose = (hoseId: string) => (corner: Corner) =>
  corner.hoses.flatMap((hose) => (hose.id === hoseId ? hosePoints(corner, hose) : []));
const sizesOfHose = (hoseId: string) => (corner: Corner) =>
  corner.hoses.flatMap((hose) => (hose.id === hoseId ? hoseSizes(corner, hose) : []));
const pointsOfPart = (partId: string) => (corner: Corner) =>
  corner.keepOuts.flatMap((part) => (part.id === partId ? partPoints(corner, part) : []));
const sizesOfPart = (partId: string) => (corner: Corner) =>
  corner.keepOuts.flatMap((part) => (part.id === partId ? partSizes(corner, part) : []));

function withClip(corner: Corner, pose: RigPose, hose: CornerHose, line: Float32Array | null): Corner {
  const body: RigBody = hose.start.body;
  const middle = line && middleOf(line, hose.clips.at(-1)?.at_m ?? 0, hose.length_m);
  if (!middle) return corner;
  const placement = placementOf(corner.rig, body, pose);
  const { point_m, direction } = toRest(placement, middle.point_m, middle.along);
  const clip = { id: nextId(hose.clips), body, point_m, along: direction, at_m: middle.at_m };
  return hosePut(corner, { ...hose, clips: [...hose.clips, clip] });
}

function withPart(
  corner: Corner,
  shape: 'capsule' | 'sphere' | 'ring' | 'box',
  line: Float32Array | null,
): Corner {
  const middle = line && middleOf(line, 0, 1);
  const [x, y, z] = middle?.point_m ?? [0, 0, 0.5];
  const centre_m: Vector = [round(x + 0.08), round(y), round(z)];
  const solid: KeepOut['solid'] =
    shape === 'capsule'
      ? { shape, a_m: centre_m, b_m: [centre_m[0], centre_m[1], round(z - 0.1)], radius_m: 0.015 }
      : shape === 'sphere'
        ? { shape, centre_m, radius_m: 0.03 }
        : shape === 'ring'
          ? {
              shape,
              centre_m: [centre_m[0] + 0.3, 0, centre_m[2]],
              axis: [0, 1, 0],
              ring_m: 0.25,
              tube_m: 0.05,
            }
          : { shape, centre_m, half_m: [0.03, 0.03, 0.03] };
  const taken = new Set(corner.keepOuts.map(({ id }) => id));
  let number = corner.keepOuts.length + 1;
  while (taken.has(`part ${number}`)) number += 1;
  return {
    ...corner,
    keepOuts: [
      ...corner.keepOuts,
      { id: `part ${number}`, name: `Part ${number}`, body: 'frame', nature: 'still', solid, gap_m: null },
    ],
  };
}

const round = (value: number) => Number(value.toFixed(3));

interface PointsProps {
  readonly corner: Corner;
  readonly rowsOf: (corner: Corner) => readonly PointRow[];
  readonly bodies: readonly RigBody[];
  readonly onChange: Change;
}

const AXES = ['x', 'y', 'z'] as const;

function Points({ corner, rowsOf, bodies, onChange }: PointsProps) {
  const write = useWriter();
  const rows = rowsOf(corner);
  const edit = (key: string, change: (row: PointRow) => Corner, field: string) =>
    onChange((now) => {
      const row = rowsOf(now).find((candidate) => candidate.key === key);
      return row ? change(row) : now;
    }, `${key} ${field}`);
  const hasDirections = rows.some(({ direction }) => direction !== null);
  return (
    <Scroll>
      <Table>
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col">moves with</th>
            {AXES.map((axis) => (
              <th scope="col" key={axis}>
                {axis}, {write.units.length}
              </th>
            ))}
            {hasDirections ? <th scope="col">points</th> : null}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key}>
              <td>{row.name}</td>
              <td>
                {row.body === null ? (
                  '–'
                ) : (
                  <BodyPick
                    name={row.name}
                    value={row.body}
                    bodies={bodies}
                    onChange={(body) =>
                      edit(row.key, (now) => now.put(now.point_m, now.direction, body), 'body')
                    }
                  />
                )}
              </td>
              {AXES.map((axis, index) => (
                <td key={axis}>
                  <CoordinateField
                    label={`${row.name}, ${axis}`}
                    kind="length"
                    value={row.point_m[index] ?? 0}
                    onValue={(value) =>
                      edit(
                        row.key,
                        (now) => now.put(replaced(now.point_m, index, value), now.direction, now.body),
                        axis,
                      )
                    }
                  />
                </td>
              ))}
              {row.direction === null ? (
                hasDirections ? (
                  <td />
                ) : null
              ) : (
                <td>
                  <DirectionField
                    name={row.name}
                    point_m={row.point_m}
                    direction={row.direction}
                    onDirection={(direction) =>
                      edit(row.key, (now) => now.put(now.point_m, direction, now.body), 'toward')
                    }
                  />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Table>
    </Scroll>
  );
}

interface BodyPickProps {
  readonly name: string;
  readonly value: RigBody;
  readonly bodies: readonly RigBody[];
  readonly onChange: (body: RigBody) => void;
}

function BodyPick({ name, value, bodies, onChange }: BodyPickProps) {
  return (
    <Pick
      label={`${name}, moves with`}
      hideLabel
      value={value}
      options={bodies.map((body) => ({ value: body, text: BODY_NAMES[body] }))}
      onChange={onChange}
    />
  );
}

interface SizesOfProps {
  readonly corner: Corner;
  readonly rowsOf: (corner: Corner) => readonly SizeRow[];
  readonly onChange: Change;
}

function SizesOf({ corner, rowsOf, onChange }: SizesOfProps) {
  const rows = rowsOf(corner);
  if (rows.length === 0) return null;
  return (
    <Sizes>
      {rows.map((row) => (
        <QuantityEntry
          key={row.key}
          label={row.name}
          kind={row.kind}
          value_SI={row.value}
          mayBeEmpty={row.mayBeEmpty}
          {...(row.ask ? { ask: row.ask } : {})}
          onValue={(value: number | null) =>
            onChange((now) => {
              const own = rowsOf(now).find(({ key }) => key === row.key);
              return own ? own.put(value) : now;
            }, row.key)
          }
        />
      ))}
    </Sizes>
  );
}
