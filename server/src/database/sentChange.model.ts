import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from './columns.ts';
import { instant, plainTable, text } from './columns.ts';

/** A change of a person's that is written, by the key that came with it. */
type SentChangeRow = Row<{ personId: string; id: string; digest: string; at: Date }>;

const keyPart = () => ({ type: DataTypes.UUID, primaryKey: true, allowNull: false });

export const defineSentChange = (sequelize: Sequelize) =>
  sequelize.define<SentChangeRow>(
    'sentChange',
    { personId: keyPart(), id: keyPart(), digest: text(), at: instant() },
    plainTable('sent_change'),
  );
