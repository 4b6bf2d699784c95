/** The few shapes a sheet is made of: hairlines, not boxes. */
import styled from 'styled-components';
import { FONT, PHONE, SIZE, colour } from './tokens.ts';

export const Page = styled.main`
  padding: 12px 34px 48px;
  max-width: 1400px;
  margin: 0 auto;
  ${PHONE} {
    padding: 12px 16px 40px;
  }
`;

export const Columns = styled.div<{ $left?: string; $right?: string }>`
  display: grid;
  grid-template-columns: minmax(0, ${({ $left }) => $left ?? '1fr'}) minmax(
      0,
      ${({ $right }) => $right ?? '350px'}
    );
  gap: 26px;
  align-items: start;
  @media (max-width: 979px), print {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export const Sheet = styled.section`
  background: ${colour('sheet')};
  border: 1px solid ${colour('hairline')};
  padding: 12px 16px 16px;
  min-width: 0;
  isolation: isolate;
`;

export const SheetTitle = styled.h2`
  font-size: ${SIZE.text};
  margin-bottom: 8px;
`;

export const Head = styled.h1`
  font-size: ${SIZE.head};
  ${PHONE} {
    font-size: ${SIZE.title};
  }
`;

export const Label = styled.span`
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
`;

export const Fine = styled.p`
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
`;

/** Figures stand in a tabular face everywhere. */
export const Figure = styled.span<{ $size?: keyof typeof SIZE }>`
  font-family: ${FONT.figures};
  font-variant-numeric: tabular-nums;
  font-size: ${({ $size }) => SIZE[$size ?? 'text']};
`;

/** The one figure that answers the screen's question. */
export const Hero = styled.p`
  font: 700 ${SIZE.figure} / 1.1 ${FONT.figures};
  letter-spacing: -0.02em;
  margin: 2px 0 4px;
  small {
    font-size: ${SIZE.title};
    letter-spacing: 0;
  }
`;

export const Rows = styled.div`
  border-top: 1px solid ${colour('hairline')};
  > * {
    border-bottom: 1px solid ${colour('hairlineSoft')};
    padding: 8px 0;
  }
`;

export const Stack = styled.div<{ $gap?: number }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${({ $gap }) => $gap ?? 12}px;
  align-content: start;
  min-width: 0;
`;

export const Line = styled.div<{ $gap?: number }>`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${({ $gap }) => $gap ?? 12}px;
`;

export const Spread = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 4px 16px;
`;

/** Read out loud, not shown. */
export const Unseen = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;

/** Fields side by side where there is room. */
export const Beside = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px;
  align-items: start;
`;
