import { Link } from 'react-router';
import styled from 'styled-components';
import { useCrumb } from '../../app/crumb.ts';
import { Fine, Head, Page, Rows, Stack } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';

const TOOLS = [
  {
    to: '/bench/route',
    name: 'Does this hose reach, bend and clear?',
    about:
      'The shape of a hose over steering and travel: the window of lengths that holds, tightest bend, gaps, clocking.',
  },
  {
    to: '/bench/donor',
    name: 'Will this hose do instead?',
    about:
      'A hose from the shelf against what is needed: length, ends, bends and threads, before anything is opened.',
  },
  {
    to: '/bench/trace',
    name: 'How long is what this picture shows?',
    about:
      'A line traced on a photograph or drawing: its length, legs, bends and angles, and how sure they are.',
  },
  {
    to: '/bench/datums',
    name: 'Which points does this length join?',
    about: 'One length as eye to eye, behind the necks and hose only, side by side on its drawing.',
  },
  {
    to: '/bench/bend',
    name: 'Which bend does this end need?',
    about: 'From two directions measured with a tape to the bend of the neck and the nearest one sold.',
  },
  {
    to: '/bench/joint',
    name: 'Does this joint hold, seal and let the fluid through?',
    about:
      'Eyes, washers and bolt in section: thread engaged, what a torque does to the bolt, and the way of the fluid.',
  },
  {
    to: '/bench/hard-line',
    name: 'How long is this hard line?',
    about:
      'From the legs and bends of a pattern to the length to cut, marks, bends and order of work; drawn at true size.',
  },
  {
    to: '/bench/templates',
    name: 'What does this end look like at true size?',
    about:
      'Ends and a bend gauge on paper, with bars that prove the print, or on a screen you have measured.',
  },
  {
    to: '/bench/cut-list',
    name: 'Which hose from which reel?',
    about: 'Pieces from bulk hose with the least thrown away, rests from the shelf first.',
  },
  {
    to: '/bench/threads',
    name: 'Which thread is this?',
    about:
      'From a diameter, a span or a bolt turned in by hand to the thread, and the one further reading that settles it.',
  },
  {
    to: '/bench/symptoms',
    name: 'What is wrong with this brake?',
    about: 'From what it does to ranked causes, and the check that tells them apart.',
  },
  {
    to: '/bench/hexagons',
    name: 'Which wrench for this hexagon?',
    about: 'Metric and inch neighbours: which fits, which does not go on, which rounds it.',
  },
] as const;

const Tool = styled(Link)`
  display: inline-block;
  padding: 10px 0;
  margin: 0;
  font-size: ${SIZE.large};
  color: ${colour('ink')};
`;

/** Calculations on their own, no job needed; everything is in their addresses. */
export function BenchPage() {
  useCrumb('Bench');
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 820 }}>
        <Head>On the bench</Head>
        <Rows>
          {TOOLS.map((tool) => (
            <div key={tool.to}>
              <Tool to={tool.to}>{tool.name}</Tool>
              <Fine>{tool.about}</Fine>
            </div>
          ))}
        </Rows>
      </Stack>
    </Page>
  );
}
