/** Starting patterns to tick, with what they would put down drawn beside. */
import type { VehicleKind } from '@zephyrcombe/contract';
import { PATTERN_NAMES } from '@zephyrcombe/messages';
import type { Hydraulics, PatternId } from '@zephyrcombe/core';
import { patternsExclude, startPattern } from '@zephyrcombe/core';
import { useMemo } from 'react';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { ChoiceRow, Tick } from '../../design/fields.tsx';
import { Fine, Label, Stack } from '../../design/layout.ts';
import { AllCircuits } from '../../drawing/circuit-diagram/JoinedDiagram.tsx';
import { PATTERNS_FOR } from './vehicleForm.ts';

export interface PatternDraft {
  readonly patterns: readonly PatternId[];
  readonly drive: 'left' | 'right';
  readonly rearEnd: 'banjo' | 'screwed';
  readonly rearAxle: 'independent' | 'live';
}
export const EMPTY_PATTERNS: PatternDraft = {
  patterns: [],
  drive: 'left',
  rearEnd: 'banjo',
  rearAxle: 'independent',
};

/** The circuits of the ticked patterns that make sense for this kind, with fresh ids. */
export function usePatternCircuits(
  draft: PatternDraft,
  kind: VehicleKind,
  abs: boolean,
): readonly Hydraulics[] {
  const { drive, rearEnd, rearAxle } = draft;
  const chosen = PATTERNS_FOR[kind].filter((pattern) => draft.patterns.includes(pattern)).join(' ');
  return useMemo(
    () =>
      chosen === ''
        ? []
        : chosen
            .split(' ')
            .flatMap((pattern) =>
              startPattern(pattern as PatternId, { newId, drive, abs, rearEnd, rearAxle }),
            ),
    [chosen, drive, abs, rearEnd, rearAxle],
  );
}

interface PatternPickProps {
  readonly kind: VehicleKind;
  readonly draft: PatternDraft;
  readonly onDraft: (draft: PatternDraft) => void;
}

export function PatternPick({ kind, draft, onDraft }: PatternPickProps) {
  const offered = PATTERNS_FOR[kind];
  const isCar = kind === 'car' || kind === 'van';
  return (
    <Stack $gap={8}>
      <fieldset>
        <legend>
          <Label>Brakes to start from, corrected on the drawing afterwards</Label>
        </legend>
        {offered.map((pattern) => (
          <Tick
            key={pattern}
            isSelected={draft.patterns.includes(pattern)}
            onChange={(ticked) =>
              onDraft({
                ...draft,
                patterns: ticked
                  ? // One front brake, one rear brake: another pattern for the same takes its place.
                    [...draft.patterns.filter((other) => !patternsExclude(pattern, other)), pattern]
                  : draft.patterns.filter((other) => other !== pattern),
              })
            }
          >
            {PATTERN_NAMES[pattern].name}
            <Label style={{ display: 'block' }}>{PATTERN_NAMES[pattern].about}</Label>
          </Tick>
        ))}
      </fieldset>
      {isCar ? (
        <>
          <ChoiceRow
            label="The driver, and the master, sit"
            value={draft.drive}
            options={[
              { value: 'left', text: 'on the left' },
              { value: 'right', text: 'on the right' },
            ]}
            onChange={(drive) => onDraft({ ...draft, drive })}
          />
          <ChoiceRow
            label="Rear hoses end on their calipers"
            value={draft.rearEnd}
            options={[
              { value: 'banjo', text: 'with a banjo' },
              { value: 'screwed', text: 'screwed in' },
            ]}
            onChange={(rearEnd) => onDraft({ ...draft, rearEnd })}
          />
          <ChoiceRow
            label="The rear wheels hang"
            value={draft.rearAxle}
            options={[
              { value: 'independent', text: 'each by itself' },
              { value: 'live', text: 'on a live axle' },
            ]}
            onChange={(rearAxle) => onDraft({ ...draft, rearAxle })}
          />
        </>
      ) : null}
    </Stack>
  );
}

/** What would be put down. Every length is a guess until somebody has measured it. */
export function PatternPreview({ circuits }: { readonly circuits: readonly Hydraulics[] }) {
  const write = useWriter();
  if (circuits.length === 0)
    return <Fine>Tick a pattern to see it drawn. A vehicle can also be entered without one.</Fine>;
  return (
    <Stack $gap={14}>
      <AllCircuits circuits={circuits} lengthText={(length_m) => write.length(length_m)} />
      <Fine>≈ Lengths are guesses to start from; each is measured on the vehicle.</Fine>
    </Stack>
  );
}
