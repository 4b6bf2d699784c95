/** The steps between Specify and Fit: order, box, making up here. Where a job has no new hose there are none. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { PartsStep } from '@zephyrcombe/workshop';
import { nextPartsStep, partsSteps } from '@zephyrcombe/workshop';
import { Link } from 'react-router';
import styled from 'styled-components';
import { Unseen } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';

const PLACES: Readonly<
  Record<PartsStep, { readonly path: string; readonly text: string; readonly go: string }>
> = {
  order: { path: 'order', text: 'Order', go: 'Go to the order' },
  box: { path: 'kit', text: 'Box', go: 'Go to the box' },
  build: { path: 'build', text: 'Made up here', go: 'Go to making it up' },
};

/** Where a job goes on once its hoses and lines are specified. */
export function afterSpecify(detail: JobDetail): { readonly to: string; readonly text: string } {
  const step = nextPartsStep(detail);
  const place = step === null ? { path: 'fit', go: 'Go to Fit' } : PLACES[step];
  return { to: `/jobs/${detail.job.id}/${place.path}`, text: place.go };
}

const Steps = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  font-size: ${SIZE.small};
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
  a[aria-current='page'] {
    color: ${colour('ink')};
    font-weight: 650;
    text-decoration: none;
  }
`;

export function PartsSteps({ detail, at }: { readonly detail: JobDetail; readonly at: PartsStep | null }) {
  const steps = partsSteps(detail);
  if (steps.length === 0) return null;
  const { id } = detail.job;
  return (
    <Steps className="no-print" aria-label="From Specify to Fit">
      {at === null ? null : <Link to={`/jobs/${id}/specify`}>Back to Specify</Link>}
      {steps.map(({ step, of, done }) => (
        <Link
          key={step}
          to={`/jobs/${id}/${PLACES[step].path}`}
          aria-current={at === step ? 'page' : undefined}
        >
          {PLACES[step].text} {done === of ? '✓' : of === 1 ? '' : `${done} of ${of}`}
          {done === of ? <Unseen>done</Unseen> : null}
        </Link>
      ))}
      <Link to={`/jobs/${id}/fit`}>On to Fit</Link>
    </Steps>
  );
}
