import type { JobDetail } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, isTightened, lineOfJob, partsOf } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import { firstOutingText, flaresText, handoverNames, vehicleWords } from '@zephyrcombe/messages';
import { handoverChecks } from '@zephyrcombe/core';
import { Fragment } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import { Reasons } from '../hand-over/Reasons.tsx';
import { serviceRows } from '../hand-over/SignedOff.tsx';
import { JobSheet } from './JobSheet.tsx';
import { JointRecords } from './JointRecords.tsx';
import { PrintTable } from './sheetParts.ts';

/** The hoses and hard lines that were fitted: between the sealing points, and along the middle of a tube. */
function renewed(detail: JobDetail, write: Writer) {
  const hoses = detail.hoses.flatMap(({ hoseId, order_m }) => {
    const own = hoseOfJob(detail, hoseId);
    return own && order_m !== null
      ? [
          {
            name: own.fitted.name,
            length: write.length(order_m),
            what: buildOf(own).madeHere ? 'braided hose, made up and proved here' : 'braided hose, bought',
          },
        ]
      : [];
  });
  const lines = detail.lines.flatMap(({ lineId, made }) => {
    const own = lineOfJob(detail, lineId);
    return own?.developed && own.line.pattern && made !== null
      ? [
          {
            name: own.fitted.name,
            length: write.length(own.developed.centreline_m),
            what: `hard line made here, ${flaresText(own.line.pattern.build)}`,
          },
        ]
      : [];
  });
  return [...hoses, ...lines];
}

/** What the keeper of the vehicle takes along, in plain words: what was checked, and what was not. */
export function HandoverSheetPage() {
  const write = useWriter();
  return (
    <JobSheet title="Handover sheet">
      {(detail) => {
        const services = detail.circuits.flatMap(({ service }) => service ?? []);
        return (
          <>
            <h2>What was done</h2>
            <p>{detail.job.reason}</p>
            {renewed(detail, write).length === 0 ? null : (
              <PrintTable>
                <thead>
                  <tr>
                    <th scope="col">New line</th>
                    <th scope="col">Length</th>
                    <th scope="col">What it is</th>
                  </tr>
                </thead>
                <tbody>
                  {renewed(detail, write).map(({ name, length, what }) => (
                    <tr key={name}>
                      <td>{name}</td>
                      <td className="figure">{length}</td>
                      <td>{what}</td>
                    </tr>
                  ))}
                </tbody>
              </PrintTable>
            )}
            <JointRecords detail={detail} />
            {detail.items.length === 0 ? null : (
              <PrintTable>
                <tbody>
                  {detail.items.map(({ id, name, handling, kind, done }) => (
                    <tr key={id}>
                      <td>{name}</td>
                      <td>
                        {done === null ? 'not on again' : handling === 'replace' ? 'replaced' : 'on again'}
                      </td>
                      <td className="figure">
                        {done === null || !isTightened(kind)
                          ? ''
                          : done.torque_Nm === null
                            ? 'by feel, no figure'
                            : write.torque(done.torque_Nm)}
                      </td>
                      <td>{done?.by ?? ''}</td>
                    </tr>
                  ))}
                </tbody>
              </PrintTable>
            )}
            <h2>What was checked</h2>
            <PrintTable>
              <tbody>
                {handoverChecks({ hasJoints: detail.joints.length > 0 }).map((check) => (
                  <tr key={check}>
                    <td>{handoverNames(vehicleWords(detail.vehicle, partsOf(detail)))[check]}</td>
                    <td>{detail.job.handoverChecks[check] === true ? 'yes' : 'not checked'}</td>
                  </tr>
                ))}
              </tbody>
            </PrintTable>
            {detail.reasons.length === 0 ? null : (
              <>
                <h2>What was gone past, and why</h2>
                <Reasons reasons={detail.reasons} />
              </>
            )}
            {services.map((service) => (
              <Fragment key={service.id}>
                <h2>
                  {services.length > 1 ? `Brake fluid: ${service.circuitName.toLowerCase()}` : 'Brake fluid'}
                </h2>
                <PrintTable>
                  <tbody>
                    {serviceRows(service, write).map(([label, value]) => (
                      <tr key={label}>
                        <th scope="row">{label}</th>
                        <td>{value}</td>
                      </tr>
                    ))}
                    <tr>
                      <th scope="row">Due again</th>
                      <td>
                        <strong>{write.date(service.dueOn)}</strong>
                        {service.dueDistance_m === null
                          ? ''
                          : ` or at ${write.distance(service.dueDistance_m)}, whichever comes first`}
                      </td>
                    </tr>
                  </tbody>
                </PrintTable>
              </Fragment>
            ))}
            {services.length === 0 ? <Fine>Not signed off yet.</Fine> : null}
            <h2>For your first {vehicleWords(detail.vehicle, partsOf(detail)).outing}</h2>
            <p>{firstOutingText(vehicleWords(detail.vehicle, partsOf(detail)))}</p>
            <Fine style={{ marginTop: 6 }}>The vehicle maker’s manual and local law come first.</Fine>
            <p style={{ marginTop: 28 }}>
              Signed: {detail.job.signedBy ?? '____________________'}
              {detail.job.finishedOn ? `, ${write.date(detail.job.finishedOn)}` : ''}
            </p>
            <Fine>
              This sheet says what was checked and what was not. It does not say that a brake is safe.
            </Fine>
          </>
        );
      }}
    </JobSheet>
  );
}
