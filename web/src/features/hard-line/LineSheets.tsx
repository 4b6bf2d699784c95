/** A hard line as it is typed, worked out and drawn: on the bench, and in a job. */
import type { HardLineRequest, LineFigure } from '@zephyrcombe/contract';
import { FLARE_FORM_NAMES, LINE_MATERIAL_NAMES } from '@zephyrcombe/messages';
import { lineRestsOn, lineStepText, rollText } from '@zephyrcombe/documents';
import type { Calculated, Developed, FlareForm, FlareLooks, FlatDrawing } from '@zephyrcombe/core';
import {
  bendMarks,
  BENDS_ONCE,
  FLARE_FORMS,
  FLARE_LOOKS,
  LEG_DATUMS,
  LINE_MATERIALS,
  lineSteps,
  USUAL_FLARE_m,
  USUAL_LINE_m,
} from '@zephyrcombe/core';
import type { ReactNode } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { FigureTable } from '../../design/FigureTable.ts';
import { TextField, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Hero, Label, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { FlatView } from '../../drawing/FlatView.tsx';
import { editableText, QuantityField } from '../../quantities/QuantityField.tsx';
import { SourceLine, Working } from '../../quantities/Working.tsx';
import type { TypedBend, TypedLine } from './lineState.ts';
import {
  MOST_BENDS,
  USUAL_MATERIAL,
  USUAL_RADIUS_m,
  withBend,
  withoutBend,
  writeBentBack,
  writeLegs,
} from './lineState.ts';

type SetTexts = (changes: Readonly<Record<string, string>>) => void;

const DATUM_WORDS = {
  apex: 'from corner to corner, as the tape reads along a pattern',
  straight: 'only what is straight between the bends',
} as const;
const LOOKS_WORDS: Readonly<Record<FlareLooks, string>> = {
  asPattern: 'round, even, like the pattern',
  offCentre: 'off its centre',
  cracked: 'cracked',
};

interface EntrySheetProps {
  readonly typed: TypedLine;
  readonly set: SetTexts;
}

export function LegsSheet({ typed, set }: EntrySheetProps) {
  const { legs, bends } = typed;
  const leg = (index: number, next: string) =>
    set(
      writeLegs(
        legs.map((own, at) => (at === index ? next : own)),
        bends,
      ),
    );
  const bend = (index: number, next: Partial<TypedBend>) =>
    set(
      writeLegs(
        legs,
        bends.map((own, at) => (at === index ? { ...own, ...next } : own)),
      ),
    );
  return (
    <Sheet>
      <SheetTitle>Legs and bends, from end A</SheetTitle>
      <Stack $gap={4}>
        <Pick
          label="Legs are measured"
          value={typed.legDatum}
          options={LEG_DATUMS.map((value) => ({ value, text: DATUM_WORDS[value] }))}
          onChange={(to) => set({ to })}
        />
        <QuantityField
          label="Leg 1, from end A"
          kind="length"
          placeholder="120 mm"
          text={legs[0] ?? ''}
          onText={(next) => leg(0, next)}
        />
        {bends.map((own, index) => (
          <div key={index} role="group" aria-label={`Bend ${index + 1} and the leg after it`}>
            <Beside>
              <QuantityField
                label={`Bend ${index + 1}`}
                kind="angle"
                placeholder="90°"
                text={own.angle}
                onText={(angle) => bend(index, { angle })}
              />
              {index > 0 ? (
                <QuantityField
                  label={`Plane of bend ${index + 1}, turned`}
                  kind="angle"
                  allowZero
                  allowNegative
                  placeholder="0° same way, 180° other way"
                  text={own.roll}
                  onText={(roll) => bend(index, { roll })}
                />
              ) : null}
              <QuantityField
                label={`Leg ${index + 2}${index === bends.length - 1 ? ', to end B' : ''}`}
                kind="length"
                placeholder="200 mm"
                text={legs[index + 1] ?? ''}
                onText={(next) => leg(index + 1, next)}
              />
            </Beside>
            <Line>
              <TextButton onPress={() => set(withoutBend(typed, index))}>remove bend {index + 1}</TextButton>
            </Line>
          </div>
        ))}
        <Line>
          <PlainButton
            because={bends.length >= MOST_BENDS ? `A line takes ${MOST_BENDS} bends here.` : null}
            onPress={() => set(withBend(typed))}
          >
            Add a bend
          </PlainButton>
        </Line>
      </Stack>
    </Sheet>
  );
}

/** A line of a job has its name on the drawing. */
export function TubeSheet({ typed, set, isNamed = false }: EntrySheetProps & { readonly isNamed?: boolean }) {
  const { units } = useWriter();
  const length = (usual_m: number) => editableText(usual_m, units.length);
  const formsAt = (form: FlareForm, figure: LineFigure) => [
    {
      value: '',
      text: typed.assumed.includes(figure) ? `not said: ${FLARE_FORM_NAMES[form]} assumed` : 'not said',
    },
    ...FLARE_FORMS.map((value) => ({ value, text: FLARE_FORM_NAMES[value] })),
  ];
  const said = (figure: LineFigure, value: string) => (typed.assumed.includes(figure) ? '' : value);
  return (
    <Sheet>
      <SheetTitle>Tube, bender and flares</SheetTitle>
      <Stack $gap={6}>
        {isNamed ? null : (
          <TextField label="Name on the sheets" value={typed.name} onChange={(name) => set({ name })} />
        )}
        <Beside>
          <Pick
            label="Tube"
            value={said('material', typed.material)}
            options={[
              { value: '', text: `not said: ${LINE_MATERIAL_NAMES[USUAL_MATERIAL]} assumed` },
              ...LINE_MATERIALS.map((value) => ({ value, text: LINE_MATERIAL_NAMES[value] })),
            ]}
            onChange={(of) => set({ of })}
          />
          <QuantityField
            label="Across its outside"
            kind="length"
            placeholder={`${length(USUAL_LINE_m)} assumed`}
            text={typed.outside}
            onText={(od) => set({ od })}
          />
        </Beside>
        <Beside>
          <QuantityField
            label="Bender, radius to the middle"
            kind="length"
            placeholder={`${length(USUAL_RADIUS_m)} assumed`}
            text={typed.radius}
            onText={(r) => set({ r })}
          />
          <QuantityField
            label="Springs back by (test bend)"
            kind="fraction"
            allowZero
            placeholder="0 %"
            text={typed.springBack}
            onText={(back) => set({ back })}
          />
        </Beside>
        <Beside>
          <Pick
            label="End A"
            value={said('formA', typed.formA)}
            options={formsAt(typed.formA, 'formA')}
            onChange={(fa) => set({ fa })}
          />
          <QuantityField
            label="Tube in the flare at A"
            kind="length"
            allowZero
            placeholder={`${length(USUAL_FLARE_m)} by the rule`}
            text={typed.flareA}
            onText={(la) => set({ la })}
          />
        </Beside>
        <Beside>
          <Pick
            label="End B"
            value={said('formB', typed.formB)}
            options={formsAt(typed.formB, 'formB')}
            onChange={(fb) => set({ fb })}
          />
          <QuantityField
            label="Tube in the flare at B"
            kind="length"
            allowZero
            placeholder={`${length(USUAL_FLARE_m)} by the rule`}
            text={typed.flareB}
            onText={(lb) => set({ lb })}
          />
        </Beside>
        <QuantityField
          label="Gaps at unions, all together"
          kind="length"
          allowZero
          placeholder={`0 ${units.length}`}
          text={typed.gap}
          onText={(gap) => set({ gap })}
        />
        <Fine>
          A quarter inch a flare is a rule of the trade; geometry alone gives a third of it. Form one test
          flare in the same tube, measure what it took, and type that. <SourceLine id="flareAllowance" />
        </Fine>
      </Stack>
    </Sheet>
  );
}

interface FoundProps {
  readonly request: HardLineRequest;
  readonly made: Calculated<Developed>;
  /** What stands against it, and what is done with it. */
  readonly children: ReactNode;
}

/** What to cut, where to bend, in which order. */
export function LineFigures({ request, made, children }: FoundProps) {
  const write = useWriter();
  const { line, build } = request;
  const marks = bendMarks(line, made.value, request.springBack);
  const rests = lineRestsOn(request, write);
  return (
    <Stack $gap={10}>
      <Hero data-testid="cut">{write.length(made.value.cut_m)}</Hero>
      <Fine>
        Finished {write.length(made.value.centreline_m)} along its middle.{' '}
        <Working of="length to cut" result={made} />
      </Fine>
      {rests === null ? null : <Fine>{rests}</Fine>}
      {children}
      {marks.length > 0 ? (
        <FigureTable>
          <thead>
            <tr>
              <th scope="col">bend, marks from end A</th>
              <th scope="col">begins</th>
              <th scope="col">ends</th>
              <th scope="col">set to</th>
              <th scope="col">plane</th>
            </tr>
          </thead>
          <tbody>
            {marks.map((mark, index) => (
              <tr key={index}>
                <th scope="row">
                  {index + 1}: {write.angle(mark.angle_rad)}
                </th>
                <td>{write.length(mark.begins_m)}</td>
                <td>{write.length(mark.ends_m)}</td>
                <td>{write.angle(mark.setTo_rad)}</td>
                <td>{rollText(index, mark, write)}</td>
              </tr>
            ))}
          </tbody>
        </FigureTable>
      ) : null}
      <Label>Order of work</Label>
      <ol style={{ margin: 0, paddingLeft: 26, listStyle: 'decimal' }}>
        {lineSteps(line, made.value, request.grip_m).map((step, index) => (
          <li key={index}>{lineStepText(step, { build }, marks, write)}</li>
        ))}
      </ol>
    </Stack>
  );
}

/** What is seen while it is made: each answer is judged at once. */
export function MakingSheet({ typed, set }: EntrySheetProps) {
  const looks = [
    { value: '', text: 'not looked at yet' },
    ...FLARE_LOOKS.map((value) => ({ value, text: LOOKS_WORDS[value] })),
  ];
  return (
    <Sheet>
      <SheetTitle>While it is made</SheetTitle>
      <Stack $gap={6}>
        <Beside>
          <QuantityField
            label="The tube as it was cut"
            kind="length"
            placeholder="not cut yet"
            text={typed.cutAs}
            onText={(cut) => set({ cut })}
          />
          <Pick
            label="Nuts on before the second flare"
            value={typed.nuts}
            options={[
              { value: '', text: 'not looked at yet' },
              { value: '2', text: 'both, the right way round' },
              { value: '1', text: 'one' },
              { value: '0', text: 'none' },
            ]}
            onChange={(nuts) => set({ nuts })}
          />
        </Beside>
        <Beside>
          <Pick
            label="Flare at A"
            value={typed.looksA ?? ''}
            options={looks}
            onChange={(sa) => set({ sa })}
          />
          <Pick
            label="Flare at B"
            value={typed.looksB ?? ''}
            options={looks}
            onChange={(sb) => set({ sb })}
          />
        </Beside>
        {BENDS_ONCE[typed.material]
          ? typed.bends.map((_bend, index) => (
              <Tick
                key={index}
                isSelected={typed.bentBack.includes(index)}
                onChange={(isBack) =>
                  set({
                    unbent: writeBentBack([
                      ...typed.bentBack.filter((other) => other !== index),
                      ...(isBack ? [index] : []),
                    ]),
                  })
                }
              >
                bend {index + 1} was bent too far and back again
              </Tick>
            ))
          : null}
      </Stack>
    </Sheet>
  );
}

interface DrawnProps {
  readonly name: string;
  readonly pages: readonly FlatDrawing[];
}

export function Drawn({ name, pages }: DrawnProps) {
  return (
    <Sheet>
      <SheetTitle>The finished line</SheetTitle>
      <div
        style={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 380px), 620px))',
          gap: 16,
        }}
      >
        {pages.map((page, index) => (
          <FlatView
            key={index}
            drawing={page}
            perMm_px={null}
            label={`${name}, drawn at true size on paper, view ${index + 1}`}
          />
        ))}
      </div>
    </Sheet>
  );
}
