import type { QueryInterface } from 'sequelize';

/** What is done at the vehicle is a row each, with the id and the time of who did it; taking one back is a row that names it. */
const UP: readonly string[] = [
  `CREATE TABLE job_event (
    sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id CHAR(36) NOT NULL, jobId CHAR(36) NOT NULL,
    kind VARCHAR(20) NOT NULL, subjectId CHAR(36) NOT NULL, payload JSON NULL, undoesId CHAR(36) NULL,
    at DATETIME(3) NOT NULL, receivedAt DATETIME(3) NOT NULL, \`by\` VARCHAR(120) NULL, byId CHAR(36) NULL,
    UNIQUE KEY event_id (id), KEY event_job (jobId, sequence), KEY event_undoes (undoesId),
    CONSTRAINT event_job FOREIGN KEY (jobId) REFERENCES job (id))`,
  // Of the runs that were kept whole nobody knows who counted.
  `INSERT INTO job_event (id, jobId, kind, subjectId, payload, undoesId, at, receivedAt, \`by\`, byId)
    SELECT event.id, jobId, event.kind, nippleId,
      IF(event.outflow IS NULL, NULL, JSON_OBJECT('outflow', event.outflow)), NULL, event.at, event.at, NULL, NULL
    FROM (SELECT jobId, nippleId, told.id, told.kind, told.outflow,
        CAST(REPLACE(REPLACE(told.at, 'T', ' '), 'Z', '') AS DATETIME(3)) AS at
      FROM bleed_run JOIN JSON_TABLE(events, '$[*]' COLUMNS (id CHAR(36) PATH '$.id', kind VARCHAR(20) PATH '$.kind',
        at VARCHAR(30) PATH '$.at', outflow VARCHAR(20) PATH '$.outflow')) AS told) AS event
    ORDER BY event.at`,
  `DROP TABLE bleed_run`,
  `CREATE TRIGGER job_event_is_never_changed BEFORE UPDATE ON job_event FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Events are never changed'`,
  `CREATE TRIGGER job_event_is_never_removed BEFORE DELETE ON job_event FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Events are never removed'`,
];

const TOLD = `'id', event.id, 'kind', event.kind, 'at',
  CONCAT(DATE_FORMAT(event.at, '%Y-%m-%dT%H:%i:%s.'), LPAD(MICROSECOND(event.at) DIV 1000, 3, '0'), 'Z')`;

const DOWN: readonly string[] = [
  `CREATE TABLE bleed_run (
    jobId CHAR(36) NOT NULL, nippleId CHAR(36) NOT NULL, events JSON NOT NULL, version INT NOT NULL DEFAULT 0,
    PRIMARY KEY (jobId, nippleId),
    CONSTRAINT bleed_job FOREIGN KEY (jobId) REFERENCES job (id),
    CONSTRAINT bleed_nipple FOREIGN KEY (nippleId) REFERENCES component (id))`,
  `INSERT INTO bleed_run (jobId, nippleId, events)
    SELECT event.jobId, event.subjectId, JSON_ARRAYAGG(IF(event.kind = 'outflow',
      JSON_OBJECT(${TOLD}, 'outflow', JSON_VALUE(event.payload, '$.outflow')), JSON_OBJECT(${TOLD})) ORDER BY event.sequence)
    FROM job_event AS event LEFT JOIN job_event AS taken ON taken.undoesId = event.id
    WHERE event.kind <> 'undo' AND taken.id IS NULL GROUP BY event.jobId, event.subjectId`,
  `DROP TABLE job_event`,
];

export async function up(queries: QueryInterface): Promise<void> {
  for (const statement of UP) await queries.sequelize.query(statement);
}

export async function down(queries: QueryInterface): Promise<void> {
  for (const statement of DOWN) await queries.sequelize.query(statement);
}
