import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { instant, json, plainTable, reference, text } from '../../database/columns.ts';

/** Somebody signed in on one device. The id is a digest of the cookie's: who reads the table cannot sign in with it. */
export interface SessionColumns {
  id: string;
  personId: string;
  startedAt: Date;
  lastSeenAt: Date;
  address: string;
  /** What the browser calls itself. */
  device: string;
  /** The cookie's own settings, as the session library keeps them. */
  data: unknown;
}
export type SessionRow = Row<SessionColumns>;

export const defineSession = (sequelize: Sequelize) =>
  sequelize.define<SessionRow>(
    'session',
    {
      id: { ...text(), primaryKey: true },
      personId: reference(),
      startedAt: instant(),
      lastSeenAt: instant(),
      address: text(),
      device: text(),
      data: json('data'),
    },
    plainTable('session'),
  );
