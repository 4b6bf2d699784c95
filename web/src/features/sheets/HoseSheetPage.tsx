import type { JobDetail, JobHose } from '@zephyrcombe/contract';
import { datumName, MATERIAL_NAMES, torqueSourceName } from '@zephyrcombe/contract';
import type { EndGeometry } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine } from '../../design/layout.ts';
import type { JointView } from '../job/jobView.ts';
import { isCalculated, jointsInOrder, stackOf } from '../job/jobView.ts';
import { datumsFor, inDatum, sameDatum } from '../measure/measureView.ts';
import { JobSheet } from './JobSheet.tsx';
import { PrintTable } from './sheetParts.ts';

/** What to order, hose by hose, and the parts each joint takes. */
export function HoseSheetPage() {
  return (
    <JobSheet title="Hose sheet">
      {(detail) => (
        <>
          {detail.hoses.map((hose) => (
            <HoseTable key={hose.hoseId} detail={detail} hose={hose} />
          ))}
          <h2>Joints</h2>
          <PrintTable>
            <thead>
              <tr>
                <th scope="col">Joint</th>
                <th scope="col">Eyes</th>
                <th scope="col">Bolt</th>
                <th scope="col">Fresh washers</th>
                <th scope="col">Torque, and whose figure it is</th>
              </tr>
            </thead>
            <tbody>
              {jointsInOrder(detail).map((view) => (
                <JointRow key={view.joint.id} view={view} />
              ))}
            </tbody>
          </PrintTable>
          <Fine style={{ marginTop: 16 }}>
            The vehicle maker’s manual, the hose maker’s sheet and local law come first. Hose for the road
            carries its standard’s marking. Compare the new hose with this sheet before the system is opened.
          </Fine>
        </>
      )}
    </JobSheet>
  );
}

function HoseTable({ detail, hose }: { readonly detail: JobDetail; readonly hose: JobHose }) {
  const write = useWriter();
  const fitted = detail.circuit.hoses.find((candidate) => candidate.id === hose.hoseId);
  if (!fitted) return null;
  const jointName = (id: string) => detail.circuit.joints.find((joint) => joint.id === id)?.name ?? '';
  const end = (geometry: EndGeometry) =>
    `${geometry.family === 'banjo' ? 'banjo' : 'threaded end'}, ${geometry.neckAngle_rad === 0 ? 'straight' : `bent ${write.angle(geometry.neckAngle_rad)}`}`;
  return (
    <>
      <h2>
        {fitted.name}
        {hose.specified ? '' : ' (not specified yet)'}
      </h2>
      <PrintTable>
        <tbody>
          {hose.order_m === null ? (
            <tr>
              <th scope="row">Length</th>
              <td>not measured yet</td>
            </tr>
          ) : (
            datumsFor(hose).map((datum) => {
              const converted = inDatum(hose, hose.order_m ?? 0, datum);
              return converted.ok ? (
                <tr key={datum.endA + datum.endB}>
                  <th scope="row">{datumName(datum)}</th>
                  <td className="figure">
                    {write.length(converted.value.length_m)}
                    {hose.orderDatum !== null && sameDatum(datum, hose.orderDatum) ? ' ← order this' : ''}
                  </td>
                </tr>
              ) : null;
            })
          )}
          <tr>
            <th scope="row">End A, {jointName(fitted.fromJointId).toLowerCase()}</th>
            <td>{end(hose.endA)}</td>
          </tr>
          <tr>
            <th scope="row">End B, {jointName(fitted.toJointId).toLowerCase()}</th>
            <td>{end(hose.endB)}</td>
          </tr>
          <tr>
            <th scope="row">Clocking of B, seen from end A, clockwise</th>
            <td className="figure">{hose.clocking_rad === null ? 'free' : write.angle(hose.clocking_rad)}</td>
          </tr>
          <tr>
            <th scope="row">Bore</th>
            <td className="figure">{write.length(fitted.bore_m)}</td>
          </tr>
        </tbody>
      </PrintTable>
    </>
  );
}

function JointRow({ view }: { readonly view: JointView }) {
  const write = useWriter();
  const { joint, chosen, eyes } = view;
  const stack = stackOf(view);
  return (
    <tr>
      <td>{joint.name}</td>
      <td className="figure">{joint.seal === 'banjo' ? eyes : '–'}</td>
      <td>
        {chosen.bolt
          ? `${chosen.bolt.thread} × ${write.length(chosen.bolt.length_m)}, ${MATERIAL_NAMES[chosen.bolt.material]}`
          : 'none'}
      </td>
      <td>
        {isCalculated(stack) && chosen.washer
          ? `${stack.value.washers}, ${MATERIAL_NAMES[chosen.washer.material]}`
          : 'none'}
      </td>
      <td>
        {write.torqueRange(joint.torque.minimum_Nm, joint.torque.maximum_Nm)},{' '}
        {torqueSourceName(joint.torque.source)}
      </td>
    </tr>
  );
}
