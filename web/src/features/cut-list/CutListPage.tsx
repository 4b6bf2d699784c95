/** Pieces of hose from what is in stock, with the least thrown away; everything in the address. */
import { problemText } from '@zephyrcombe/messages';
import type { CutPlan } from '@zephyrcombe/core';
import { cutList, USUAL_INSERTION_m } from '@zephyrcombe/core';
import { useDeferredValue, useMemo } from 'react';
import styled from 'styled-components';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useAddress } from '../../app/useAddress.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import {
  Beside,
  Columns,
  Fine,
  Head,
  Hero,
  Line,
  Page,
  Sheet,
  SheetTitle,
  Stack,
} from '../../design/layout.ts';
import { colour, SIZE } from '../../design/tokens.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { MOST_LENGTHS, pieceName, readCutting, typedCutting, writeLengths } from './cutState.ts';

export function CutListPage() {
  useCrumb('Cut list');
  const write = useWriter();
  const [text, set] = useAddress();
  const typed = typedCutting(text);
  // A large job takes a tenth of a second: keys come first.
  const resting = useDeferredValue(JSON.stringify(readCutting(typed)));
  const result = useMemo(() => {
    const read = JSON.parse(resting) as ReturnType<typeof readCutting>;
    return read ? cutList(read.pieces, read.stocks, read.rules) : null;
  }, [resting]);
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>Which hose from which reel?</Head>
          <Fine>
            Type the hose to cut for each piece: the finished length less both take-offs, and what goes into
            the fittings; from a job it comes worked out with {write.length(USUAL_INSERTION_m)} inside each,
            an example of ours. Cut square, and look at both ends before going on.
          </Fine>
        </div>
        <Columns $left="1fr" $right="1fr">
          <Stack $gap={16}>
            <LengthList
              title="Pieces to cut"
              name="Piece"
              labelOf={(index) => pieceName(typed, index)}
              lengths={typed.pieces}
              placeholder="640 mm"
              onLengths={(lengths, taken) =>
                set({
                  pieces: writeLengths(lengths),
                  names:
                    taken === null
                      ? text('names')
                      : writeLengths(typed.names.filter((_own, at) => at !== taken)),
                })
              }
            />
            <LengthList
              title="Lengths in stock"
              name="Stock"
              labelOf={(index) => `Stock ${index + 1}`}
              lengths={typed.stocks}
              placeholder="5 m"
              onLengths={(lengths) => set({ stocks: writeLengths(lengths) })}
            />
            <Sheet>
              <Beside>
                <QuantityField
                  label="Lost at each cut"
                  kind="length"
                  allowZero
                  placeholder="3 mm"
                  text={typed.kerf}
                  onText={(kerf) => set({ kerf })}
                />
                <QuantityField
                  label="Shortest rest worth keeping"
                  kind="length"
                  placeholder="250 mm"
                  text={typed.keep}
                  onText={(keep) => set({ keep })}
                />
              </Beside>
            </Sheet>
          </Stack>
          <Sheet aria-live="polite">
            <SheetTitle>Thrown away</SheetTitle>
            {result?.ok ? (
              <Stack $gap={10}>
                <Hero data-testid="waste">{write.length(result.value.waste_m)}</Hero>
                <Fine>
                  {result.value.isExact
                    ? 'No plan wastes less: every way was looked at, or could be no better.'
                    : `The best of the plans there was time for. None can waste less than ${write.length(result.value.leastWaste_m)}.`}{' '}
                  <Working of="cut list" result={result} />
                </Fine>
                <Plan plan={result.value} />
              </Stack>
            ) : (
              <Fine>
                {result
                  ? problemText(result.problem, write)
                  : 'Type each piece and each length in stock with its unit.'}
              </Fine>
            )}
          </Sheet>
        </Columns>
      </Stack>
    </Page>
  );
}

interface LengthListProps {
  readonly title: string;
  readonly name: string;
  readonly lengths: readonly string[];
  readonly placeholder: string;
  readonly labelOf: (index: number) => string;
  /** `taken`: the place of one that was taken out. */
  readonly onLengths: (lengths: readonly string[], taken: number | null) => void;
}

function LengthList({ title, name, labelOf, lengths, placeholder, onLengths }: LengthListProps) {
  return (
    <Sheet>
      <SheetTitle>{title}</SheetTitle>
      <Stack $gap={2}>
        {lengths.map((text, index) => (
          <Line key={index} $gap={12}>
            <div style={{ flex: '1 1 160px' }}>
              <QuantityField
                label={labelOf(index)}
                kind="length"
                placeholder={placeholder}
                text={text}
                onText={(next) =>
                  onLengths(
                    lengths.map((own, at) => (at === index ? next : own)),
                    null,
                  )
                }
              />
            </div>
            {lengths.length > 1 ? (
              <TextButton
                onPress={() =>
                  onLengths(
                    lengths.filter((_own, at) => at !== index),
                    index,
                  )
                }
              >
                remove {name.toLowerCase()} {index + 1}
              </TextButton>
            ) : null}
          </Line>
        ))}
        <Line>
          <PlainButton
            because={lengths.length >= MOST_LENGTHS ? `A list takes ${MOST_LENGTHS}.` : null}
            onPress={() => onLengths([...lengths, ''], null)}
          >
            Add a {name.toLowerCase()}
          </PlainButton>
        </Line>
      </Stack>
    </Sheet>
  );
}

const Bar = styled.svg`
  display: block;
  width: 100%;
  text {
    font-size: ${SIZE.small};
    fill: ${colour('ink')};
  }
`;

const WIDE = 1000;

/** Each length that is cut into, to scale within itself, its pieces one after another. */
function Plan({ plan }: { readonly plan: CutPlan }) {
  const write = useWriter();
  return (
    <Stack $gap={14}>
      {plan.stocks.map(({ stock, pieces, rest_m, isKept }) => {
        const scale = WIDE / stock.length_m;
        let at_m = 0;
        return (
          <div key={stock.id}>
            <strong>
              {stock.id}, {write.length(stock.length_m)}
            </strong>
            <Bar viewBox={`0 0 ${WIDE} 40`} preserveAspectRatio="none" height={40} aria-hidden="true">
              <rect x={0} y={10} width={WIDE} height={20} fill="none" stroke={colour('hairline')} />
              {pieces.map((piece) => {
                const from_m = at_m;
                at_m += piece.length_m;
                return (
                  <rect
                    key={piece.id}
                    x={from_m * scale}
                    y={10}
                    width={Math.max(1, piece.length_m * scale)}
                    height={20}
                    fill={colour('brass')}
                    stroke={colour('sheet')}
                  />
                );
              })}
            </Bar>
            <Fine>
              Cut{' '}
              {pieces.map((piece) => `${piece.id.toLowerCase()}, ${write.length(piece.length_m)}`).join('; ')}
              .{' '}
              {rest_m === 0
                ? 'Nothing is left.'
                : `${write.length(rest_m)} is left: ${isKept ? 'back on the shelf' : 'too short to keep'}.`}
            </Fine>
          </div>
        );
      })}
    </Stack>
  );
}
