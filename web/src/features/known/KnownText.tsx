/** How a figure is known, in words; what is only assumed has a broken line of its own, on the screen and on paper. */
import { knowingText } from '@zephyrcombe/messages';
import type { Knowing } from '@zephyrcombe/core';
import styled from 'styled-components';
import { SIZE, colour } from '../../design/tokens.ts';

export const Assumed = styled.span`
  font-size: ${SIZE.small};
  color: ${colour('caution')};
  border-bottom: 2px dashed ${colour('caution')};
`;
const Sure = styled.span`
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
`;

export function KnownText({ knowing }: { readonly knowing: Knowing }) {
  const text = knowingText(knowing);
  return knowing.how === 'assumed' ? <Assumed>{text}</Assumed> : <Sure>{text}</Sure>;
}

/** Of several figures, the one that is known worst. */
export const weakest = (knowings: readonly Knowing[]): Knowing =>
  knowings.find(({ how }) => how === 'assumed') ??
  knowings.find(({ how }) => how === 'unknown') ??
  knowings.find(({ how }) => how === 'seen') ??
  knowings[0] ?? { how: 'unknown' };
