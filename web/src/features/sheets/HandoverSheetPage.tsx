import type { JobDetail } from '@zephyrcombe/contract';
import { HANDOVER_NAMES } from '@zephyrcombe/contract';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import { serviceRows } from '../hand-over/HandOverPage.tsx';
import { JobSheet } from './JobSheet.tsx';
import { PrintTable } from './sheetParts.ts';

const isDry = (detail: JobDetail, jointId: string) =>
  detail.joints.some((joint) => joint.jointId === jointId && joint.leakChecked);

/** What the keeper of the vehicle takes along, in plain words: what was checked, and what was not. */
export function HandoverSheetPage() {
  const write = useWriter();
  return (
    <JobSheet title="Handover sheet">
      {(detail) => (
        <>
          <h2>What was done</h2>
          <p>{detail.job.reason}</p>
          <PrintTable>
            <thead>
              <tr>
                <th scope="col">Joint</th>
                <th scope="col">Torque</th>
                <th scope="col">Wrench</th>
                <th scope="col">Fresh washers</th>
                <th scope="col">Dry under pressure</th>
                <th scope="col">By</th>
              </tr>
            </thead>
            <tbody>
              {detail.torqueRecords.map((record) => (
                <tr key={record.id}>
                  <td>{detail.circuit.joints.find((joint) => joint.id === record.jointId)?.name}</td>
                  <td className="figure">
                    {write.torque(record.torque_Nm)}
                    {record.verdict === 'above' ? ' (over, redone)' : ''}
                  </td>
                  <td>{record.wrenchName}</td>
                  <td className="figure">{record.freshWashers}</td>
                  <td>{isDry(detail, record.jointId) ? 'yes' : 'not checked'}</td>
                  <td>{record.by}</td>
                </tr>
              ))}
            </tbody>
          </PrintTable>
          <h2>What was checked</h2>
          <PrintTable>
            <tbody>
              {HANDOVER_CHECKS.map((check) => (
                <tr key={check}>
                  <td>{HANDOVER_NAMES[check]}</td>
                  <td>{detail.job.handoverChecks[check] === true ? 'yes' : 'not checked'}</td>
                </tr>
              ))}
            </tbody>
          </PrintTable>
          {detail.fluidService ? (
            <>
              <h2>Brake fluid</h2>
              <PrintTable>
                <tbody>
                  {serviceRows(detail.fluidService, write).map(([label, value]) => (
                    <tr key={label}>
                      <th scope="row">{label}</th>
                      <td>{value}</td>
                    </tr>
                  ))}
                  <tr>
                    <th scope="row">Due again</th>
                    <td>
                      <strong>{write.date(detail.fluidService.dueOn)}</strong>
                      {detail.fluidService.dueDistance_m === null
                        ? ''
                        : ` or at ${write.distance(detail.fluidService.dueDistance_m)}, whichever comes first`}
                    </td>
                  </tr>
                </tbody>
              </PrintTable>
            </>
          ) : (
            <Fine>Not signed off yet.</Fine>
          )}
          <h2>For your first ride</h2>
          <p>
            Pump the lever until it is firm before the vehicle moves. Make the first stops slowly and gently.
            If the lever feels different, sinks, or a warning lamp lights, stop and call us. Come back for a
            look at the joints after the first ride.
          </p>
          <Fine style={{ marginTop: 6 }}>The vehicle maker’s manual and local law come first.</Fine>
          <p style={{ marginTop: 28 }}>
            Signed: {detail.job.signedBy ?? '____________________'}
            {detail.job.finishedOn ? `, ${write.date(detail.job.finishedOn)}` : ''}
          </p>
          <Fine>
            This sheet says what was checked and what was not. It does not say that a brake is safe.
          </Fine>
        </>
      )}
    </JobSheet>
  );
}
