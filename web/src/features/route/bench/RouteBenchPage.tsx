import { CORNER_PATTERNS, mirrored, PATTERN_CORNERS } from '@zephyrcombe/core';
import { useEffect, useMemo, useReducer, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useCrumb } from '../../../app/crumb.ts';
import { useSetQuery } from '../../../app/useSetQuery.ts';
import { PlainButton } from '../../../design/Button.tsx';
import { Pick } from '../../../design/Pick.tsx';
import { Fine, Head, Page, Stack } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { readRoute, routeReducer, writeRoute } from './benchState.ts';
import { RouteBar } from './RouteBar.tsx';
import { RouteBench } from './RouteBench.tsx';
import { useResting } from '../engine/useResting.ts';

/** Written into the address when the hand rests. */
const REST_ms = 400;

/** A route on the bench: no job needed, everything in the address. */
export function RouteBenchPage() {
  useCrumb('Route');
  const [query] = useSearchParams();
  const setQuery = useSetQuery();
  const [start] = useState(() => readRoute(query));
  const [state, dispatch] = useReducer(routeReducer, start.state);
  useEffect(() => {
    const timer = setTimeout(() => setQuery((now) => writeRoute(state, now)), REST_ms);
    return () => clearTimeout(timer);
  }, [state, setQuery]);
  const resting = useResting(state);
  const { corner, pattern } = resting;
  const mirror = useMemo(
    () => (
      <PlainButton
        onPress={() => dispatch({ type: 'edit', edit: mirrored, field: `mirrored ${Date.now()}` })}
      >
        Other side
      </PlainButton>
    ),
    [],
  );
  const head = useMemo(
    () => (
      <>
        <div style={{ flex: '1 1 320px' }}>
          <Head>Does it reach, bend and clear?</Head>
          <Fine>A free hose over the whole movement. The vehicle maker’s routing comes first.</Fine>
        </div>
        <div style={{ flex: '0 1 300px' }}>
          <Pick
            label="Start from"
            value={pattern ?? ''}
            options={[
              ...(pattern === null ? [{ value: '', text: corner.name }] : []),
              ...CORNER_PATTERNS.map((name) => ({
                value: name,
                text: PATTERN_CORNERS[name].name,
              })),
            ]}
            onChange={(name) => {
              const chosen = CORNER_PATTERNS.find((candidate) => candidate === name);
              if (chosen) dispatch({ type: 'load', corner: PATTERN_CORNERS[chosen], pattern: chosen });
            }}
          />
        </div>
      </>
    ),
    [pattern, corner.name],
  );
  return (
    <Page>
      <Stack $gap={14}>
        <RouteBar state={resting} dispatch={dispatch} more={mirror}>
          {head}
        </RouteBar>
        {start.wrong ? (
          <Notice severity="warn" title="The address does not hold a corner that can be read">
            <p>{start.wrong}. The fork pattern is shown instead; ask whoever sent the link for a new one.</p>
          </Notice>
        ) : null}
        <RouteBench state={state} dispatch={dispatch} />
      </Stack>
    </Page>
  );
}
