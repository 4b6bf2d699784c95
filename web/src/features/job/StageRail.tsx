import type { Stage } from '@zephyrcombe/core';
import { STAGE_NAMES } from '@zephyrcombe/messages';
import { useEffect, useRef } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { Unseen } from '../../design/layout.ts';
import { PHONE, SIZE, colour } from '../../design/tokens.ts';

const Rail = styled.nav`
  position: relative;
  padding: 4px 34px;
  ${PHONE} {
    padding: 2px 8px;
    overflow-x: auto;
  }
  ol {
    display: flex;
    align-items: center;
  }
  li {
    flex: 1 0 auto;
    display: flex;
    align-items: center;
  }
  li:last-child {
    flex: 0 0 auto;
  }
`;

/** The dimension line between two stages, with its tick. */
const Run = styled.span`
  flex: 1;
  min-width: 8px;
  height: 1px;
  background: ${colour('inkSoft')};
  position: relative;
  &::after {
    content: '';
    position: absolute;
    left: 50%;
    top: -6px;
    height: 13px;
    width: 1.5px;
    background: ${colour('ink')};
    transform: rotate(45deg);
  }
  ${PHONE} {
    display: none;
  }
`;

const Stop = styled(Link)`
  display: block;
  padding: 7px 18px;
  font-size: ${SIZE.text};
  color: ${colour('inkSoft')};
  text-decoration: none;
  white-space: nowrap;
  &.active {
    background: ${colour('ink')};
    color: ${colour('sheet')};
    font-weight: 650;
  }
  &.done {
    color: ${colour('ink')};
  }
  &.active.done {
    color: ${colour('sheet')};
  }
  ${PHONE} {
    padding: 12px 11px;
    margin: 0;
    min-width: 44px;
    text-align: center;
    font-size: ${SIZE.small};
  }
`;

interface StageRailProps {
  readonly jobId: string;
  /** Those that the job has. */
  readonly stages: readonly Stage[];
  readonly done: readonly Stage[];
}

/** The stages of a job as a dimension line; the current one sits on it in ink. */
export function StageRail({ jobId, stages, done }: StageRailProps) {
  const [search] = useSearchParams();
  const rail = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  const page = pathname.split('/')[3] ?? '';
  // Checking a box in and making a hose up belong to Specify.
  const here = page === 'kit' || page === 'build' ? 'specify' : page;
  // On a phone the rail is longer than the screen: the current stage is brought into view, also when the words change their width.
  useEffect(() => {
    const show = () => {
      const active = rail.current?.querySelector<HTMLElement>('a.active');
      if (active && rail.current)
        rail.current.scrollLeft = active.offsetLeft - rail.current.clientWidth / 2 + active.clientWidth / 2;
    };
    show();
    void document.fonts.ready.then(show);
  }, [here, done]);
  const kept = search.size > 0 ? `?${search.toString()}` : '';
  return (
    <Rail ref={rail} aria-label="Stages" className="no-print">
      <ol>
        {stages.map((stage, index) => (
          <li key={stage}>
            <Stop
              to={`/jobs/${jobId}/${stage}${kept}`}
              className={`${stage === here ? 'active' : ''} ${done.includes(stage) ? 'done' : ''}`}
              aria-current={stage === here ? 'page' : undefined}
            >
              {STAGE_NAMES[stage]}
              {done.includes(stage) ? (
                <>
                  {' '}
                  <span aria-hidden="true">✓</span>
                  <Unseen>done</Unseen>
                </>
              ) : null}
            </Stop>
            {index < stages.length - 1 ? <Run aria-hidden="true" /> : null}
          </li>
        ))}
      </ol>
    </Rail>
  );
}
