import type { Person, Session } from '@zephyrcombe/contract';
import { ownTimeZone } from '@zephyrcombe/contract';
import type { Database } from '../../database/database.ts';
import type { Dependencies } from '../../dependencies.ts';
import type { PersonRow } from '../shop/shop.model.ts';

/** Everybody on the demo data has this passphrase; it is shown on the sign-in page there and nowhere else. */
export const DEMO_PASSPHRASE = 'lamp oil and oilskins';

export function toPerson(row: PersonRow): Person {
  return { id: row.id, name: row.name, role: row.role, units: row.units, version: row.version };
}

/** Before sign-in nothing is told but the shop's name, and the names it wants shown. */
export async function describeSession(
  { config, database }: Dependencies,
  person: Person | null,
): Promise<Session> {
  const { Shop, Person: People } = database.models;
  const shop = await Shop.findOne();
  const names =
    person === null && shop?.namesAtSignIn
      ? await People.findAll({ where: { isRetired: false }, attributes: ['name'], order: [['name', 'ASC']] })
      : [];
  return {
    shopName: shop?.name ?? null,
    timeZone: person && ownTimeZone(),
    person,
    names: names.map(({ name }) => name),
    demoPassphrase: config.demo && shop !== null ? DEMO_PASSPHRASE : null,
  };
}

/** As the sign-in page shows it to anybody. */
export const shopName = async ({ models }: Database): Promise<string> =>
  (await models.Shop.findOne({ attributes: ['name'] }))?.name ?? '';

/** The person of a session; null for who is retired or gone, whose sessions count for nothing. */
export async function personOfSession({ database }: Dependencies, personId: string): Promise<Person | null> {
  const row = await database.models.Person.findByPk(personId);
  return row === null || row.isRetired ? null : toPerson(row);
}
