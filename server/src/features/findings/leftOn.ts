/** What was found on lines and joints of a vehicle in jobs that did not replace them or see to them: it is on the vehicle still. */
import type { LeftOn } from '@zephyrcombe/contract';
import { judgeLeftOn } from '@zephyrcombe/core';
import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/database.ts';

type Row = Omit<LeftOn, 'foundAt'> & { readonly foundAt: Date | string };

/** Ends with a signed job that replaced the line or tightened the joint anew, the same or a later one. What an open job found is asked about there. */
export async function findingsLeftOn({ sequelize }: Database, vehicleId: string): Promise<LeftOn[]> {
  const rows = await sequelize.query<Row>(
    `SELECT finding.id, finding.jobId, job.title AS jobTitle, finding.subject, finding.subjectId, COALESCE(hose.name, joint.name) AS name,
      finding.\`condition\`, finding.degree, finding.note, finding.foundBy, finding.foundAt
     FROM finding
     JOIN job ON job.id = finding.jobId
     LEFT JOIN hose ON hose.id = finding.subjectId AND hose.retired = 0
     LEFT JOIN joint ON joint.id = finding.subjectId
     WHERE job.vehicleId = :vehicleId AND job.status <> 'open' AND finding.struckBecause IS NULL
       AND COALESCE(hose.id, joint.id) IS NOT NULL
       AND NOT EXISTS (SELECT 1 FROM job_hose JOIN job AS later ON later.id = job_hose.jobId
         WHERE job_hose.hoseId = finding.subjectId AND later.status = 'finished' AND later.number >= job.number)
       AND NOT EXISTS (SELECT 1 FROM job_line JOIN job AS later ON later.id = job_line.jobId
         WHERE job_line.lineId = finding.subjectId AND later.status = 'finished' AND later.number >= job.number)
       AND NOT EXISTS (SELECT 1 FROM job_joint JOIN job AS later ON later.id = job_joint.jobId
         WHERE job_joint.jointId = finding.subjectId AND finding.\`condition\` <> 'damagedThread'
           AND later.status = 'finished' AND later.number >= job.number)
     ORDER BY finding.foundAt, finding.id`,
    { type: QueryTypes.SELECT, replacements: { vehicleId } },
  );
  return rows
    .filter(
      ({ name, subject, condition, degree }) =>
        judgeLeftOn([{ name, subject, condition, degree, inScope: false }]).length > 0,
    )
    .map((row) => ({ ...row, foundAt: new Date(row.foundAt).toISOString() }));
}
