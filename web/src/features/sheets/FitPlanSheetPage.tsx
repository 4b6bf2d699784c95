/** The plan of fitting on paper: every step that is left, with its reason and a box to tick, and the same as a file. */
import { fitPlanAddress } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { plainStep } from '@zephyrcombe/core/plan';
import { RULE_REASONS, stepHow, stepTitle } from '@zephyrcombe/messages';
import { factOf, fitNames, fitPlanOf } from '@zephyrcombe/workshop';
import { Fine } from '../../design/layout.ts';
import { PrintTable } from './sheetParts.ts';
import { JobSheet } from './JobSheet.tsx';

export function FitPlanSheetPage() {
  return (
    <JobSheet title="Plan of fitting">
      {(detail) => {
        const { plan } = fitPlanOf(detail);
        const names = fitNames(detail);
        const rulesOf = (because: (typeof plan.steps)[number]['because'] = []) =>
          [...new Set(because.map(({ rule }) => rule))].map((rule) => RULE_REASONS[rule]).join(' ');
        return (
          <>
            {plan.infeasible ? (
              <>
                <h2>No order of work keeps all of this</h2>
                <ul>
                  {plan.infeasible.rules.map((rule) => (
                    <li key={rule}>{RULE_REASONS[rule]}</li>
                  ))}
                  {plan.infeasible.demands.map((id) => (
                    <li key={id}>An order is asked for: {factOf(detail, 'demand', id)?.why}</li>
                  ))}
                </ul>
              </>
            ) : null}
            <p>
              {detail.fitSteps.length} steps done, {plan.steps.length} left. {plan.totals.washers} new
              washers, at most {plan.totals.capsPeak} caps on the vehicle at once.
            </p>
            <PrintTable>
              <thead>
                <tr>
                  <th scope="col">No.</th>
                  <th scope="col">Step</th>
                  <th scope="col">Why here</th>
                  <th scope="col">Done</th>
                </tr>
              </thead>
              <tbody>
                {plan.steps.map(({ id, because, ...step }, index) => (
                  <tr key={id}>
                    <td className="figure">{detail.fitSteps.length + index + 1}</td>
                    <td>
                      {stepTitle(step as PlanStep, names)}
                      {stepHow(plainStep(step as PlanStep)) === null ? null : (
                        <Fine>{stepHow(plainStep(step as PlanStep))}</Fine>
                      )}
                    </td>
                    <td>{rulesOf(because)}</td>
                    <td>☐</td>
                  </tr>
                ))}
              </tbody>
            </PrintTable>
            <Fine>
              An order of work, not a specification: the vehicle maker’s manual, local rules and whoever holds
              the wrench come first.{' '}
              <a href={fitPlanAddress(detail.job.id)} download>
                The plan as a file
              </a>
            </Fine>
          </>
        );
      }}
    </JobSheet>
  );
}
